// Made from server/openapi.json by "npm run openapi".
export interface paths {
    "/api/health": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Health_ready"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/health/alive": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Health_alive"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/metrics": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Metrics_read"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/welcome": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Session_welcome"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/session": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Session_session"];
        put?: never;
        post: operations["Session_signIn"];
        delete: operations["Session_signOut"];
        options?: never;
        head?: never;
        patch: operations["Session_preferences"];
        trace?: never;
    };
    "/api/first-administrator": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Session_first"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/session/reset": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Session_reset"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/session/password": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Session_changePassword"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/session/station": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Session_station"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/sessions": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Session_list"];
        put?: never;
        post?: never;
        delete: operations["Session_endOthers"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/sessions/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post?: never;
        delete: operations["Session_end"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/bench": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Bench_view"];
        put?: never;
        post: operations["Bench_letOn"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/bench/{personId}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post?: never;
        delete: operations["Bench_letOff"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/session/pin": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Bench_setPin"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/events": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Events_stream"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/morning": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Morning_morning"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/walk": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Morning_walk"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/floor": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Morning_floor"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/find": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Morning_find"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/calendar": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Calendar_renew"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/calendar/{token}.ics": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Calendar_feed"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/flow": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Flow_view"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/flow/months": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Flow_months"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/flow/classes": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Flow_classes"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/flow/price": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Flow_price"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/instruments": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Records_list"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/instruments/list.csv": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Records_csv"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/instruments/{serial}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Records_record"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/instruments/{serial}/ship": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Dispatch_ship"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/kits": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Kits_kits"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/kits/count": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Kits_count"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/fitting": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Fitting_bench"];
        put?: never;
        post: operations["Fitting_fit"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/programs": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Programs_list"];
        put?: never;
        post: operations["Programs_askFor"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/programs/one": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Programs_one"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/programs/assign": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Programs_assign"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/programs/draw": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Programs_draw"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/programs/move": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Programs_move"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/programs/prove": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Programs_prove"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/programs/plan": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Programs_plan"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/cutters": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Cutters_list"];
        put?: never;
        post: operations["Cutters_keep"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/machines": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Cutters_machines"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/cutters/log": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Cutters_log"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/loads": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Loads_view"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/loads/order": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Loads_order"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/rigs": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Rigs_list"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/put-in": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Rigs_putIn"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/wipe": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Rigs_wipe"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/close-rig": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Rigs_close"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/take-out": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Rigs_takeOut"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orders": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Orders_open"];
        put?: never;
        post: operations["Orders_place"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orders/outlook": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Orders_outlook"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orders/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Orders_past"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/coats": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Finishing_coat"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/scuff": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Finishing_scuff"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/measures": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Quality_measures"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/dimensions": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Dimensions_list"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/dimensions/chart": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Dimensions_chart"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/dimensions/settle": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Dimensions_settle"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/instrument-studies": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Instruments_studies"];
        put?: never;
        post: operations["Instruments_keep"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/routes": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Routes_list"];
        put?: never;
        post: operations["Routes_draft"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/routes/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Routes_get"];
        put: operations["Routes_save"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/routes/{id}/work": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Routes_work"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/routes/{id}/release": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Routes_release"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/routes/{id}/discard": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Routes_discard"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/sheet-pictures": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["SheetPictures_add"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/sheet-pictures/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["SheetPictures_get"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/stations/{code}/work": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Stations_work"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/carriers": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Carriers_list"];
        put?: never;
        post: operations["Equipment_addCarrier"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/carriers/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Carriers_one"];
        put: operations["Equipment_changeCarrier"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/devices": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Devices_list"];
        put?: never;
        post: operations["Devices_add"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/devices/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put: operations["Devices_change"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/devices/{id}/password": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Devices_renew"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/device-values": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Devices_waiting"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/device-values/{seq}/take": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Devices_take"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Batches_list"];
        put?: never;
        post: operations["Batches_start"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/list.csv": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Batches_csv"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Batches_card"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/held": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Batches_held"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/card.pdf": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Batches_pdf"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/start": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Moves_startWork"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/pause": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Moves_pause"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/resume": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Moves_resume"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/finish": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Moves_finish"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/finish-some": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Moves_finishSome"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/move": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Moves_move"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/place": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Moves_place"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/accept": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Moves_accept"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/sign-off": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Moves_signOff"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/refuse": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Moves_refuse"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/scrap": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Moves_scrap"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/split": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Moves_split"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/merge": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Moves_merge"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/join": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Moves_join"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/part": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Moves_part"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/refit": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Moves_refit"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/send": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Moves_send"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/receive": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Moves_receive"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/hold": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Moves_hold"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/release": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Moves_release"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/undo": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Moves_undo"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/call": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Moves_call"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/verdict": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Moves_verdict"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/batches/{id}/reroute": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Moves_reroute"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/lots": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Lots_list"];
        put?: never;
        post: operations["Lots_receive"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/lots/used-up": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Lots_usedUp"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/lots/histories.csv": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Lots_allHistories"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/lots/{id}/history.csv": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Lots_history"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/lots/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Lots_card"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/lots/{id}/readings": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Lots_read"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/lots/{id}/outlook": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Lots_outlook"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/lots/{id}/label.pdf": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Lots_label"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/lots/{id}/report.pdf": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Lots_report"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/lots/{id}/describe": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Lots_describe"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/lots/{id}/move": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Lots_move"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/lots/{id}/keep": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Lots_keep"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/lots/{id}/correct": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Lots_correct"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/lots/{id}/strike": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Lots_strike"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/lots/{id}/release": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Lots_release"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/lots/readings/preview": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Lots_preview"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/lots/readings/import": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Lots_importReadings"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/air/{zoneId}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Air_view"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/air/log/preview": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Air_preview"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/air/log/import": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Air_take"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/cutting": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Cutting_view"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/cutting/plans": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Cutting_plans"];
        put?: never;
        post: operations["Cutting_draft"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/cutting/plans/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Cutting_plan"];
        put?: never;
        post: operations["Cutting_save"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/cutting/plans/{id}/list.pdf": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Cutting_list"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/cutting/plans/{id}/cut": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Cutting_cut"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/lots/{id}/boards": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Cutting_measure"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/blanks": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Cutting_blanks"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/blanks/weigh": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Cutting_weigh"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/blanks/join": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Cutting_join"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/blanks/reserve": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Cutting_reserve"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/stock": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Cutting_stockView"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/stock/orders/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Cutting_orderWood"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/stock/allotment": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Cutting_allotment"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/lots/{id}/pictures": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Pictures_add"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/pictures/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Pictures_get"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/factory": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Factory_factory"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/setup": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Setup_view"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/zones": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Setup_zones"];
        put?: never;
        post: operations["Equipment_addZone"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/stations/{code}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put: operations["Setup_changeStation"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/settings/moisture": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put: operations["Setup_changeMoisture"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/settings/moisture-exceptions": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put: operations["Setup_changeExceptions"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/settings/movement": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put: operations["Setup_changeMovement"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/settings/house": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put: operations["Setup_changeHouse"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/settings/wood-buying": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put: operations["Setup_changeWoodBuying"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/settings/spray": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put: operations["Setup_changeSpray"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/settings/working-time": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put: operations["Setup_changeWorkingTime"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/settings/kilns": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put: operations["Setup_changeKilns"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/settings/serial": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put: operations["Setup_changeSerial"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/stations": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Equipment_addStation"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/prerequisites": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Equipment_addPrerequisite"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/prerequisites/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put: operations["Equipment_changePrerequisite"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/people": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["People_add"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/people/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put: operations["People_change"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/people/{id}/account": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["People_giveAccount"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/people/{id}/reset": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["People_resetPassword"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/people/{id}/badge": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put: operations["People_setBadge"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/settings/species": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put: operations["Registers_changeSpecies"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/settings/defects": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put: operations["Registers_changeDefects"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/settings/cautions": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put: operations["Registers_changeCautions"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/settings/pause-causes": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put: operations["Registers_changePauseCauses"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/settings/start-checks": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put: operations["Registers_changeStartChecks"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/settings/adhesives": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put: operations["Registers_changeAdhesives"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/settings/consignees": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put: operations["Registers_changeConsignees"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/materials": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Materials_add"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/materials/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put: operations["Materials_change"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/models": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Models_add"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/models/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put: operations["Models_change"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/demo/clock": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["Demo_pass"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
}
export type webhooks = Record<string, never>;
export interface components {
    schemas: {
        HealthView: {
            status: string;
        };
        AliveView: {
            status: string;
            process: number;
        };
        WelcomeView: {
            factory: string;
            demo: boolean;
            needsFirstAdministrator: boolean;
        };
        SignInDto: {
            login: string;
            password: string;
        };
        DoneView: {
            id: string;
        };
        FirstAdministratorDto: {
            login: string;
            name: string;
            password: string;
        };
        ResetPasswordDto: {
            login: string;
            code: string;
            password: string;
        };
        ChangePasswordDto: {
            password: string;
            next: string;
        };
        StationSignInDto: {
            code: string;
        };
        OpenSessionView: {
            id: string;
            device: string;
            address: string;
            createdMs: number;
            seenMs: number;
            own: boolean;
        };
        UnitsDto: {
            /** @enum {string} */
            length: "mm" | "in";
            /** @enum {string} */
            mass: "g" | "oz";
            /** @enum {string} */
            temperature: "C" | "F";
            /** @enum {string} */
            lumber: "m3" | "bf";
        };
        NotedView: {
            key: string;
            text: string;
        };
        StationNameView: {
            code: string;
            name: string;
        };
        SessionView: {
            personId: string;
            name: string;
            /** @enum {string} */
            role: "viewer" | "operator" | "lead" | "manager" | "admin";
            units: components["schemas"]["UnitsDto"];
            /** @enum {string} */
            theme: "paper" | "booth";
            factory: string;
            timeZone: string;
            shiftStartsAt: string;
            shiftEndsAt: string;
            cautions: components["schemas"]["NotedView"][];
            pauseCauses: components["schemas"]["NotedView"][];
            startChecks: components["schemas"]["NotedView"][];
            demo: boolean;
            demoAheadMs: number;
            nowMs: number;
            station: components["schemas"]["StationNameView"] | null;
        };
        PreferencesDto: {
            units?: components["schemas"]["UnitsDto"];
            /** @enum {string} */
            theme?: "paper" | "booth";
        };
        BenchPersonView: {
            id: string;
            name: string;
        };
        HolderView: {
            personId: string;
            name: string;
            untilMs: number;
        };
        BenchView: {
            people: components["schemas"]["BenchPersonView"][];
            holders: components["schemas"]["HolderView"][];
        };
        LetOnDto: {
            personId?: string;
            pin?: string;
            badge?: string;
        };
        PinDto: {
            pin: string;
        };
        FindingView: {
            rule: string;
            /** @enum {string} */
            verdict: "pass" | "wait" | "stop";
            sentence: string;
            untilMs?: number;
            /** @enum {string} */
            sure?: "certain" | "forecast";
            remedy?: string;
            done?: number;
            maximum?: number;
            field?: string;
        };
        DecisionView: {
            /** @enum {string} */
            stage: "woodRoom" | "roughMill" | "machining" | "necks" | "bodies" | "fitting" | "finishing" | "assembly" | "finalRest" | "dispatch";
            /** @enum {string} */
            act: "move" | "release" | "answer" | "hold" | "look";
            /** @enum {string|null} */
            subject: "batch" | "lot" | "zone" | "dimension" | "program" | "cutter" | "device" | null;
            id: string | null;
            version: number;
            sentence: string;
            way: string | null;
            findings: components["schemas"]["FindingView"][];
        };
        ComingFreeView: {
            /** @enum {string} */
            subject: "batch" | "lot";
            id: string;
            /** @enum {string} */
            stage: "woodRoom" | "roughMill" | "machining" | "necks" | "bodies" | "fitting" | "finishing" | "assembly" | "finalRest" | "dispatch";
            sentence: string;
            untilMs: number;
        };
        LackView: {
            /** @enum {string} */
            component: "body" | "neck" | "fingerboard" | "top" | "back" | "sides" | "small part" | "instrument";
            count: number;
        };
        OrderView: {
            id: string;
            number: number;
            modelId: string;
            modelName: string;
            quantity: number;
            shipped: number;
            customer: string;
            options: string[];
            extraPrice: number;
            routeId: string;
            choices: {
                [key: string]: string;
            };
            placedMs: number;
            dueMs: number;
            batchIds: string[];
            earliestMs: number;
            lateDays: number;
            lacks: components["schemas"]["LackView"][];
            status: string;
            why: string | null;
            tell: string;
        };
        GapView: {
            name: string;
            fromMs: number;
            toMs: number;
            sentence: string;
            alone: boolean;
        };
        AloneView: {
            skill: string;
            name: string;
        };
        DayPeopleView: {
            fromMs: number;
            gaps: components["schemas"]["GapView"][];
            alone: components["schemas"]["AloneView"][];
        };
        MakeNextView: {
            modelId: string;
            /** @enum {string} */
            component: "body" | "neck" | "fingerboard" | "top" | "back" | "sides" | "small part" | "instrument";
            name: string;
            inStock: number;
            coming: number;
            asked: number;
            short: number;
            shortMs: number | null;
            beginByMs: number | null;
        };
        LogView: {
            id: number;
            atMs: number;
            by: string;
            kind: string;
            sentence: string;
        };
        LimitView: {
            /** @enum {string} */
            kind: "station" | "people" | "room" | "filling" | "starts" | "nothing";
            stationCode: string | null;
            stationName: string | null;
            sentence: string;
        };
        MorningView: {
            nowMs: number;
            canMove: number;
            canRelease: number;
            comingFreeToday: number;
            late: number;
            decisions: components["schemas"]["DecisionView"][];
            comingFree: components["schemas"]["ComingFreeView"][];
            lateOrders: components["schemas"]["OrderView"][];
            people: components["schemas"]["DayPeopleView"][];
            makeNext: components["schemas"]["MakeNextView"][];
            changed: components["schemas"]["LogView"][];
            shippedSinceYesterday: number;
            finishedSinceYesterday: number;
            limit: components["schemas"]["LimitView"];
        };
        WalkView: {
            /** @enum {string} */
            stage: "woodRoom" | "roughMill" | "machining" | "necks" | "bodies" | "fitting" | "finishing" | "assembly" | "finalRest" | "dispatch";
            waiting: number;
            decisions: number;
            zoneId: string;
        };
        StationFlowView: {
            code: string;
            name: string;
            /** @enum {string} */
            stage: "woodRoom" | "roughMill" | "machining" | "necks" | "bodies" | "fitting" | "finishing" | "assembly" | "finalRest" | "dispatch";
            benches: number;
            workedHours: number;
            availableHours: number;
            loadRatio: number;
            meanActiveHours: number;
            good: number;
            rework: number;
            scrap: number;
            firstPassYield: number | null;
            queuedBatches: number;
            queuedHours: number;
            weeklyHours: number;
            goodByShift: number[];
        };
        PlacementView: {
            carrierId: string;
            carrierName: string;
            pieces: number;
        };
        JudgedView: {
            /** @enum {string} */
            verdict: "take it up" | "change it and try again" | "drop it";
            words: string;
            by: string | null;
            atMs: number;
        };
        BatchView: {
            id: string;
            number: number;
            /** @enum {string} */
            component: "body" | "neck" | "fingerboard" | "top" | "back" | "sides" | "small part" | "instrument";
            modelId: string;
            modelName: string;
            orderId: string | null;
            lotId: string | null;
            operationId: string;
            operationName: string;
            /** @enum {string} */
            operationKind: "work" | "dwell" | "join" | "fit" | "part" | "refit" | "outside" | "transfer" | "buffer" | "dispatch";
            /** @enum {string} */
            stage: "woodRoom" | "roughMill" | "machining" | "necks" | "bodies" | "fitting" | "finishing" | "assembly" | "finalRest" | "dispatch";
            stationCode: string;
            stationName: string;
            /** @enum {string} */
            status: "queued" | "running" | "paused" | "finished" | "dwelling" | "away" | "stocked" | "held" | "done";
            sinceMs: number;
            arrivedMs: number;
            startedMs: number;
            endedMs: number | null;
            dueMs: number | null;
            quantity: number;
            placements: components["schemas"]["PlacementView"][];
            accepted: boolean;
            handOver: boolean;
            redo: boolean;
            /** @enum {string} */
            workClass: "order" | "special" | "trial" | "tooling";
            judged: components["schemas"]["JudgedView"] | null;
            parentId: string | null;
            awayTo: string | null;
            dueBackMs: number | null;
            routeId: string;
            holdReason: string | null;
            pass: number;
            version: number;
            nextOperationName: string | null;
            skill: string | null;
            /** @enum {string} */
            verdict: "pass" | "wait" | "stop";
            untilMs: number | null;
            done: number | null;
            worker: string | null;
            workerId: string | null;
            touchMinutes: number;
            findings: components["schemas"]["FindingView"][];
            missing: components["schemas"]["FindingView"][];
            question: string | null;
            acceptFor: string | null;
        };
        FloorView: {
            nowMs: number;
            stations: components["schemas"]["StationFlowView"][];
            batches: components["schemas"]["BatchView"][];
            limit: components["schemas"]["LimitView"];
        };
        FoundView: {
            /** @enum {string} */
            kind: "batch" | "lot" | "instrument" | "order" | "carrier" | "station" | "person";
            id: string;
            sentence: string;
        };
        FeedView: {
            url: string;
        };
        ClassView: {
            days: number;
            count: number;
        };
        SpanView: {
            station: string;
            stationName: string;
            fromMs: number;
            toMs: number;
        };
        PlacesChangeView: {
            station: string;
            stationName: string;
            atMs: number;
            before: number;
            after: number;
        };
        FlowView: {
            days: number;
            fromMs: number;
            toMs: number;
            stations: components["schemas"]["StationFlowView"][];
            shiftsMs: number[];
            meanWip: number;
            wipByDay: number[];
            throughputPerDay: number;
            shipped: number;
            meanLeadDays: number;
            leadP50Days: number | null;
            leadP85Days: number | null;
            leadHistogram: components["schemas"]["ClassView"][];
            littleResidual: number | null;
            limit: components["schemas"]["LimitView"];
            spans: components["schemas"]["SpanView"][];
            placesChanges: components["schemas"]["PlacesChangeView"][];
        };
        MonthView: {
            id: string;
            fromMs: number;
            whole: boolean;
            workDays: number;
            peopleHours: number;
            begun: number;
            shipped: number;
            shippedPerDay: number;
            meanLeadDays: number | null;
            returnedShare: number | null;
            busiest: string | null;
            busiestShare: number | null;
            why: string | null;
        };
        MonthsView: {
            sinceMs: number | null;
            months: components["schemas"]["MonthView"][];
        };
        ClassStationView: {
            stationCode: string;
            stationName: string;
            /** @enum {string} */
            stage: "woodRoom" | "roughMill" | "machining" | "necks" | "bodies" | "fitting" | "finishing" | "assembly" | "finalRest" | "dispatch";
            busyMinutes: number;
            specialMinutes: number;
            trialMinutes: number;
            toolingMinutes: number;
        };
        ClassedBatchView: {
            batchId: string;
            /** @enum {string} */
            workClass: "order" | "special" | "trial" | "tooling";
            what: string;
            /** @enum {string} */
            stage: "woodRoom" | "roughMill" | "machining" | "necks" | "bodies" | "fitting" | "finishing" | "assembly" | "finalRest" | "dispatch";
            operationName: string;
            stationCode: string;
            stationName: string;
            /** @enum {string} */
            status: "queued" | "running" | "paused" | "finished" | "dwelling" | "away" | "stocked" | "held" | "done";
            sinceMs: number;
        };
        ClassesView: {
            days: number;
            stations: components["schemas"]["ClassStationView"][];
            open: components["schemas"]["ClassedBatchView"][];
            unjudged: components["schemas"]["ClassedBatchView"][];
        };
        PolicyStationView: {
            code: string;
            name: string;
            hours: number;
        };
        PolicyWaitView: {
            operationId: string;
            name: string;
            stationName: string;
            /** @enum {string|null} */
            rig: "rack" | "table" | "press" | "carousel" | "mould" | "form" | "rig" | "freezer shelf" | "cart" | "clamp rack" | "clip rack" | "hose table" | "vacuum table" | "brace press" | "bending press" | null;
            hours: number;
            pieces: number;
            places: number | null;
        };
        PolicyView: {
            routeId: string;
            version: number;
            batchSize: number;
            /** @enum {string} */
            waits: "as asked" | "overnight";
            /** @enum {string} */
            machining: "as routed" | "without programs";
            stations: components["schemas"]["PolicyStationView"][];
            touchHours: number;
            lying: components["schemas"]["PolicyWaitView"][];
            waitingPieces: number;
            waitDays: number;
            leadDays: number;
            logged: string[];
            planned: string[];
            onlyByProgram: string[];
        };
        PriceView: {
            modelName: string;
            perWeek: number;
            sentence: string;
            from: components["schemas"]["PolicyView"];
            to: components["schemas"]["PolicyView"];
        };
        InstrumentView: {
            serial: string;
            modelId: string;
            modelName: string;
            batchId: string;
            orderId: string | null;
            /** @enum {string} */
            state: "in work" | "shipped" | "scrapped";
            startedMs: number;
            fittedMs: number;
            shippedMs: number | null;
            consignee: string | null;
            version: number;
        };
        InstrumentPage: {
            rows: components["schemas"]["InstrumentView"][];
            next: string | null;
            found: number;
            foundExactly: boolean;
        };
        ReadingView: {
            seq: number;
            /** @enum {string} */
            depth: "shell" | "core";
            rawPct: number;
            correctedPct: number;
            massG: number | null;
            dryMassG: number | null;
            woodTempC: number | null;
            firstRawPct: number | null;
            struck: string | null;
        };
        ReadingSessionView: {
            id: string;
            atMs: number;
            by: string;
            meter: string;
            woodTempC: number;
            meanPct: number;
            spreadPct: number;
            readings: components["schemas"]["ReadingView"][];
        };
        VisitView: {
            operationId: string;
            operationName: string;
            stationName: string;
            /** @enum {string} */
            stage: "woodRoom" | "roughMill" | "machining" | "necks" | "bodies" | "fitting" | "finishing" | "assembly" | "finalRest" | "dispatch";
            pass: number;
            arrivedMs: number;
            startedMs: number | null;
            finishedMs: number | null;
            leftMs: number | null;
            good: number;
            rework: number;
            scrap: number;
            touchMs: number;
            by: string | null;
        };
        PartView: {
            pieceId: string;
            component: string;
            batchId: string;
            lotId: string | null;
            blankId: string | null;
            boardId: string | null;
            species: string;
            supplier: string;
            origin: string;
            permit: string | null;
            releasedMs: number | null;
            atRelease: components["schemas"]["ReadingSessionView"] | null;
            sessions: number;
            visits: components["schemas"]["VisitView"][];
        };
        CoatView: {
            id: string;
            atMs: number;
            operationName: string;
            materialName: string;
            wetUm: number;
            dryUm: number;
            flashUntilMs: number;
            by: string;
        };
        BuildView: {
            materialName: string;
            dryUm: number;
            thickestUm: number;
            lowUm: number;
            highUm: number;
            /** @enum {string} */
            verdict: "thin" | "in window" | "thick";
        };
        MeasureView: {
            id: string;
            pieceId: string;
            operationName: string;
            characteristicName: string;
            unit: string;
            value: number;
            low: number;
            high: number;
            inBand: boolean;
            atMs: number;
            by: string;
        };
        DefectView: {
            id: string;
            pieceId: string;
            kind: string;
            operationName: string;
            originOperationName: string;
            /** @enum {string} */
            disposition: "use as is" | "rework" | "scrap" | "hold";
            note: string;
            atMs: number;
            by: string;
        };
        OverrideView: {
            atMs: number;
            by: string;
            reason: string;
            operationName: string | null;
            findings: components["schemas"]["FindingView"][];
        };
        RecordView: {
            instrument: components["schemas"]["InstrumentView"];
            construction: string;
            clearanceMm: number | null;
            shipper: string | null;
            parts: components["schemas"]["PartView"][];
            visits: components["schemas"]["VisitView"][];
            coats: components["schemas"]["CoatView"][];
            build: components["schemas"]["BuildView"] | null;
            measures: components["schemas"]["MeasureView"][];
            defects: components["schemas"]["DefectView"][];
            overrides: components["schemas"]["OverrideView"][];
            log: components["schemas"]["LogView"][];
        };
        ShipDto: {
            version: number;
            consignee: string;
            shipper: string;
        };
        KitStockView: {
            id: string;
            what: string;
            serves: string;
            sets: number;
        };
        CountKitsDto: {
            what: string;
            modelId: string | null;
            sets: number | null;
            before: number | null;
            note: string;
        };
        FitPieceView: {
            pieceId: string;
            batchId: string;
            widthMm: number | null;
        };
        PairView: {
            bodyId: string;
            neckId: string | null;
            clearanceMm: number | null;
        };
        FittingSetView: {
            modelId: string;
            modelName: string;
            body: components["schemas"]["BatchView"];
            neck: components["schemas"]["BatchView"] | null;
            separateNecks: boolean;
            lowMm: number;
            targetMm: number;
            highMm: number;
            bodies: components["schemas"]["FitPieceView"][];
            necks: components["schemas"]["FitPieceView"][];
            proposed: components["schemas"]["PairView"][];
            inBandAsTheyCome: number;
        };
        FittingView: {
            sets: components["schemas"]["FittingSetView"][];
            waiting: components["schemas"]["BatchView"][];
        };
        PairDto: {
            bodyId: string;
            neckId: string | null;
        };
        FitDto: {
            bodyBatchId: string;
            bodyVersion: number;
            neckBatchId: string | null;
            neckVersion: number | null;
            pairs: components["schemas"]["PairDto"][];
        };
        WaitingOrderView: {
            id: string;
            number: number;
            customer: string;
            dueMs: number;
        };
        OtherWayView: {
            name: string;
            stationName: string;
        };
        WantedView: {
            /** @enum {string} */
            stage: "woodRoom" | "roughMill" | "machining" | "necks" | "bodies" | "fitting" | "finishing" | "assembly" | "finalRest" | "dispatch";
            stepName: string;
            orders: components["schemas"]["WaitingOrderView"][];
            otherWays: components["schemas"]["OtherWayView"][];
        };
        ProgramLineView: {
            id: string;
            modelId: string | null;
            modelName: string;
            what: string;
            side: string;
            serves: string[];
            ownerId: string | null;
            owner: string | null;
            askedMs: number;
            note: string;
            /** @enum {string} */
            state: "asked" | "drawn" | "checked" | "proven" | "released";
            released: string | null;
            latest: string | null;
            wanted: components["schemas"]["WantedView"] | null;
            version: number;
        };
        UnaskedView: {
            modelId: string;
            modelName: string;
            what: string;
            wanted: components["schemas"]["WantedView"];
        };
        ProgramsView: {
            programs: components["schemas"]["ProgramLineView"][];
            unasked: components["schemas"]["UnaskedView"][];
        };
        CutterMinutesView: {
            cutter: string;
            minutes: number;
        };
        PlannedMinutesView: {
            setUp: number;
            load: number;
            run: number;
            unload: number;
        };
        RevisionStepView: {
            /** @enum {string} */
            state: "drawn" | "checked" | "proven" | "released" | "withdrawn";
            atMs: number;
            by: string;
            note: string;
        };
        ProofMeasureView: {
            name: string;
            unit: string;
            value: number;
            low: number;
            high: number;
        };
        ProofView: {
            piece: string;
            measures: components["schemas"]["ProofMeasureView"][];
            note: string;
            atMs: number;
            by: string;
        };
        ObservedView: {
            count: number;
            medianMinutes: number;
            lowMinutes: number;
            highMinutes: number;
        };
        TimeTruthView: {
            stationCode: string;
            stationName: string;
            load: components["schemas"]["ObservedView"] | null;
            setUp: components["schemas"]["ObservedView"] | null;
            quoted: components["schemas"]["ObservedView"] | null;
        };
        RevisionView: {
            name: string;
            /** @enum {string} */
            state: "drawn" | "checked" | "proven" | "released" | "withdrawn";
            why: string;
            file: string;
            fixture: string;
            piecesALoad: number;
            cutters: components["schemas"]["CutterMinutesView"][];
            planned: components["schemas"]["PlannedMinutesView"];
            steps: components["schemas"]["RevisionStepView"][];
            proof: components["schemas"]["ProofView"] | null;
            truths: components["schemas"]["TimeTruthView"][];
        };
        HowManyView: {
            measured: number;
            of: number;
        };
        CharacteristicView: {
            id: string;
            name: string;
            unit: string;
            low: number;
            target: number;
            high: number;
            instrument: string | null;
            sample: components["schemas"]["HowManyView"] | null;
        };
        ProgramView: {
            line: components["schemas"]["ProgramLineView"];
            revisions: components["schemas"]["RevisionView"][];
            firstPiece: components["schemas"]["CharacteristicView"][];
        };
        AskForProgramDto: {
            modelId: string | null;
            what: string;
            side: string;
            serves: string[];
            ownerId: string | null;
            note: string;
        };
        AssignProgramDto: {
            programId: string;
            version: number;
            atMs?: number;
            ownerId: string | null;
            note: string;
        };
        CutterMinutesDto: {
            cutter: string;
            minutes: number;
        };
        PlannedMinutesDto: {
            setUp: number;
            load: number;
            run: number;
            unload: number;
        };
        DrawRevisionDto: {
            programId: string;
            version: number;
            atMs?: number;
            why: string;
            file: string;
            fixture: string;
            piecesALoad: number;
            cutters: components["schemas"]["CutterMinutesDto"][];
            planned: components["schemas"]["PlannedMinutesDto"];
        };
        MoveRevisionDto: {
            programId: string;
            version: number;
            atMs?: number;
            revision: string;
            /** @enum {string} */
            to: "checked" | "released" | "withdrawn";
            note: string;
        };
        FirstPieceMeasureDto: {
            characteristicId: string;
            value: number;
        };
        ProveRevisionDto: {
            programId: string;
            version: number;
            atMs?: number;
            revision: string;
            piece: string;
            measures: components["schemas"]["FirstPieceMeasureDto"][];
            note: string;
        };
        PlanRevisionDto: {
            programId: string;
            version: number;
            atMs?: number;
            revision: string;
            planned: components["schemas"]["PlannedMinutesDto"];
            note: string;
        };
        CutterView: {
            id: string;
            kind: string;
            /** @enum {string} */
            state: "ready" | "mounted" | "away" | "broken" | "put away";
            stationCode: string | null;
            stationName: string | null;
            bench: number | null;
            usedMinutes: number;
            lifeMinutes: number;
            sharpened: number;
            sinceMs: number;
            note: string;
            acts: ("mount" | "take off" | "send to be sharpened" | "sharpened" | "broken" | "put away")[];
            programs: string[];
            version: number;
        };
        ControllerView: {
            /** @enum {string} */
            state: "idle" | "running" | "held" | "fault";
            told: string;
            atMs: number;
        };
        MachineView: {
            id: string;
            stationCode: string;
            stationName: string;
            bench: number;
            batchIds: string[];
            worker: string | null;
            sinceMs: number | null;
            left: string | null;
            leftMs: number | null;
            controller: components["schemas"]["ControllerView"] | null;
            cutters: components["schemas"]["CutterView"][];
        };
        KeepCutterDto: {
            id: string;
            kind: string;
            lifeMinutes: number;
            note: string;
        };
        LogCutterDto: {
            cutterId: string;
            version: number;
            /** @enum {string} */
            act: "mount" | "take off" | "send to be sharpened" | "sharpened" | "broken" | "put away";
            stationCode: string | null;
            bench: number | null;
            lifeMinutes: number | null;
            note: string;
            atMs?: number;
        };
        PlannedBatchView: {
            batchId: string;
            what: string;
            /** @enum {string} */
            workClass: "order" | "special" | "trial" | "tooling";
            program: string;
            pieces: number;
            piecesALoad: number;
            loads: number;
            joining: number;
            changeoverMinutes: number;
            observed: boolean;
            beginMs: number;
            endMs: number;
            dueMs: number | null;
            late: boolean;
            reason: string;
            pinned: boolean;
        };
        LoadMachineView: {
            id: string;
            stationCode: string;
            stationName: string;
            bench: number;
            isMachine: boolean;
            next: components["schemas"]["PlannedBatchView"][];
            pinned: string[];
        };
        BlockedBatchView: {
            batchId: string;
            what: string;
            because: string;
        };
        LoadCostView: {
            late: number;
            otherWays: number;
            changeover: number;
            partFilled: number;
        };
        LoadGainView: {
            changeovers: number;
            changeoverMinutes: number;
            lateMinutes: number;
            partFilled: number;
        };
        LoadsView: {
            machines: components["schemas"]["LoadMachineView"][];
            blocked: components["schemas"]["BlockedBatchView"][];
            later: number;
            cost: components["schemas"]["LoadCostView"];
            gain: components["schemas"]["LoadGainView"];
            problem: {
                [key: string]: unknown;
            };
        };
        OrderLoadsDto: {
            stationCode: string;
            bench: number;
            batchIds: string[];
            before: string[];
        };
        LoadBatchView: {
            batchId: string;
            pieces: number;
            pieceIds: string[];
            /** @enum {string} */
            component: "body" | "neck" | "fingerboard" | "top" | "back" | "sides" | "small part" | "instrument";
            modelName: string;
            isGlued: boolean;
            version: number;
        };
        RigLoadView: {
            loadId: string;
            place: number | null;
            pieces: number;
            fromMs: number;
            closedMs: number | null;
            freeMs: number | null;
            isOver: boolean;
            done: number;
            /** @enum {string|null} */
            stands: "cold" | "silent" | null;
            told: string;
            batches: components["schemas"]["LoadBatchView"][];
        };
        ForRigView: {
            batchId: string;
            what: string;
            pieces: number;
            fits: number;
            /** @enum {string} */
            state: "waits" | "being glued" | "to be glued";
            sinceMs: number;
            dueMs: number | null;
            lateDays: number | null;
            version: number;
        };
        ComingView: {
            batchId: string;
            what: string;
            pieces: number;
            atMs: number;
        };
        ClosingView: {
            closeMs: number;
            pieces: number;
            waitsFor: string[];
            heldPieceHours: number;
            shutOutPieceHours: number;
            emptyPlaces: number;
        };
        NextLoadView: {
            pieces: number;
            sinceMs: number | null;
            closings: components["schemas"]["ClosingView"][];
        };
        BringsView: {
            stationCode: string;
            stationName: string;
            pieces: number;
            minutes: number;
            days: number;
        };
        RigView: {
            id: string;
            name: string;
            kind: string;
            stationCode: string;
            stationName: string;
            /** @enum {string} */
            cycle: "a timer for each place" | "all places together";
            places: number;
            handsMinutes: number;
            loads: components["schemas"]["RigLoadView"][];
            free: number;
            closeByMs: number | null;
            waiting: components["schemas"]["ForRigView"][];
            coming: components["schemas"]["ComingView"][];
            nextLoad: components["schemas"]["NextLoadView"] | null;
            brings: components["schemas"]["BringsView"][];
            usualMinutes: number | null;
            ceilingAnHour: number | null;
            outToday: number;
            couldToday: number | null;
        };
        RhythmView: {
            freePieces: number;
            freeSinceMs: number | null;
            idlePlaceMinutes: number;
            nextMs: number | null;
            returnMs: number | null;
            returnPieces: number;
            lostPlaceMinutes: number;
            untilMs: number;
        };
        RigsView: {
            rigs: components["schemas"]["RigView"][];
            rhythm: components["schemas"]["RhythmView"] | null;
        };
        PutInRigDto: {
            version: number;
            atMs?: number;
            personId: string;
            rigId: string;
            pieceIds?: string[];
            places?: number[];
        };
        BatchDoneView: {
            id: string;
            version: number;
        };
        WipeFacesDto: {
            version: number;
            atMs?: number;
            personId: string;
            pieceIds?: string[];
        };
        CloseRigDto: {
            version: number;
            atMs?: number;
            personId: string;
            rigId: string;
            overrideReason?: string;
        };
        TakeOutDto: {
            version: number;
            atMs?: number;
            personId: string;
            rigId: string;
            pieceIds?: string[];
            back?: boolean;
            ahead?: boolean;
            overrideReason?: string;
        };
        OrderOutlookView: {
            routeId: string;
            choices: {
                [key: string]: string;
            };
            extraPrice: number;
            earliestMs: number;
        };
        OrderPastView: {
            id: string;
            modelName: string;
            quantity: number;
            shipped: number;
            customer: string;
            options: string[];
            placedMs: number;
            dueMs: number;
            lastShippedMs: number | null;
            lateDays: number | null;
            batchIds: string[];
            serials: string[];
        };
        PlaceOrderDto: {
            modelId: string;
            quantity: number;
            customer: string;
            dueMs: number;
            choices?: {
                [key: string]: string;
            };
        };
        CoatDto: {
            version: number;
            atMs?: number;
            wetUm: number;
            overrideReason?: string;
        };
        ScuffDto: {
            version: number;
            atMs?: number;
            grit: number;
            toBare?: boolean;
        };
        MeasureDto: {
            pieceId: string;
            characteristicId: string;
            value: number;
        };
        MeasuresDto: {
            version: number;
            atMs?: number;
            measures: components["schemas"]["MeasureDto"][];
        };
        LimitsView: {
            centre: number;
            lower: number;
            upper: number;
        };
        OpenSignalView: {
            /** @enum {string} */
            rule: "beyond" | "two of three" | "four of five" | "one side" | "trend";
            sentence: string;
            atMs: number;
            batchId: string;
            pieceId: string;
            value: number;
        };
        FoundBehindView: {
            note: string;
            atMs: number;
            by: string;
        };
        IndexView: {
            value: number;
            from: number;
            to: number;
        };
        CapabilityView: {
            count: number;
            mean: number;
            sigmaOverall: number;
            pp: components["schemas"]["IndexView"] | null;
            ppk: components["schemas"]["IndexView"];
            cp: components["schemas"]["IndexView"] | null;
            cpk: components["schemas"]["IndexView"] | null;
        };
        DriftLeftView: {
            x: number;
            from: number;
            to: number;
            /** @enum {string} */
            edge: "low" | "high";
        };
        DriftView: {
            slope: number;
            slopeFrom: number;
            slopeTo: number;
            now: number;
            left: components["schemas"]["DriftLeftView"] | null;
        };
        DimensionView: {
            id: string;
            modelName: string;
            operationId: string;
            stepName: string;
            stage: string | null;
            stationCode: string;
            stationName: string;
            name: string;
            unit: string;
            low: number;
            high: number;
            instrument: string | null;
            holds: boolean;
            decidingSkill: string | null;
            count: number;
            lacking: number;
            lastMs: number | null;
            lastValue: number | null;
            /** @enum {string} */
            state: "too few" | "in control" | "out of control";
            limits: components["schemas"]["LimitsView"] | null;
            signal: components["schemas"]["OpenSignalView"] | null;
            found: components["schemas"]["FoundBehindView"] | null;
            capability: components["schemas"]["CapabilityView"] | null;
            drift: components["schemas"]["DriftView"] | null;
        };
        ChartPointView: {
            value: number;
            spread: number | null;
            atMs: number;
            batchId: string;
            pieceIds: string[];
        };
        ChartSignalView: {
            sentence: string;
            at: number[];
        };
        ChartView: {
            /** @enum {string} */
            kind: "individuals" | "range" | "deviation";
            size: number;
            leftOut: number;
            points: components["schemas"]["ChartPointView"][];
            values: components["schemas"]["LimitsView"];
            spread: components["schemas"]["LimitsView"];
            signals: components["schemas"]["ChartSignalView"][];
        };
        DimensionChartView: {
            dimension: components["schemas"]["DimensionView"];
            chart: components["schemas"]["ChartView"] | null;
        };
        SettleSignalDto: {
            dimensionId: string;
            note: string;
            anew: boolean;
            atMs?: number;
        };
        GaugeView: {
            repeatability: number;
            reproducibility: number;
            gauge: number;
            part: number;
            ofTolerancePct: number | null;
            ofTotalPct: number;
            categories: number | null;
        };
        InstrumentStudyView: {
            id: string;
            instrument: string;
            what: string;
            unit: string;
            people: string[];
            parts: number;
            repeats: number;
            atMs: number;
            by: string;
            /** @enum {string} */
            verdict: "fit" | "may do" | "not fit";
            sentence: string;
            byVariance: components["schemas"]["GaugeView"];
            byRange: components["schemas"]["GaugeView"] | null;
        };
        PartMeasuredDto: {
            again: number[];
        };
        PersonMeasuredDto: {
            name: string;
            parts: components["schemas"]["PartMeasuredDto"][];
        };
        StudyInstrumentDto: {
            instrument: string;
            what: string;
            unit: string;
            low: number | null;
            high: number | null;
            people: components["schemas"]["PersonMeasuredDto"][];
        };
        RouteVersionView: {
            id: string;
            modelId: string;
            modelName: string;
            version: number;
            /** @enum {string} */
            state: "draft" | "released" | "retired";
            inForce: boolean;
            effectiveMs: number | null;
            reason: string;
            revision: number;
            steps: number;
            inWork: number;
        };
        OptionConditionDto: {
            /** @enum {string} */
            kind: "option";
            option: string;
            in: string[];
        };
        SpeciesConditionDto: {
            /** @enum {string} */
            kind: "species";
            /** @enum {string} */
            component: "body" | "neck" | "fingerboard" | "top" | "back" | "sides" | "small part" | "instrument";
            in: string[];
        };
        ConstructionConditionDto: {
            /** @enum {string} */
            kind: "construction";
            in: string[];
        };
        NotConditionDto: {
            /** @enum {string} */
            kind: "not";
            of: components["schemas"]["OptionConditionDto"] | components["schemas"]["SpeciesConditionDto"] | components["schemas"]["ConstructionConditionDto"];
        };
        AnyPartsDto: {
            /** @enum {string} */
            kind: "any";
            of: (components["schemas"]["OptionConditionDto"] | components["schemas"]["SpeciesConditionDto"] | components["schemas"]["ConstructionConditionDto"] | components["schemas"]["NotConditionDto"])[];
        };
        AllConditionDto: {
            /** @enum {string} */
            kind: "all";
            of: (components["schemas"]["OptionConditionDto"] | components["schemas"]["SpeciesConditionDto"] | components["schemas"]["ConstructionConditionDto"] | components["schemas"]["NotConditionDto"] | components["schemas"]["AnyPartsDto"])[];
        };
        AllPartsDto: {
            /** @enum {string} */
            kind: "all";
            of: (components["schemas"]["OptionConditionDto"] | components["schemas"]["SpeciesConditionDto"] | components["schemas"]["ConstructionConditionDto"] | components["schemas"]["NotConditionDto"])[];
        };
        AnyConditionDto: {
            /** @enum {string} */
            kind: "any";
            of: (components["schemas"]["OptionConditionDto"] | components["schemas"]["SpeciesConditionDto"] | components["schemas"]["ConstructionConditionDto"] | components["schemas"]["NotConditionDto"] | components["schemas"]["AllPartsDto"])[];
        };
        TimesByOptionDto: {
            option: string;
            times: {
                [key: string]: number;
            };
        };
        CountRepeatDto: {
            /** @enum {string} */
            kind: "count";
            backTo: string;
            times: number;
            timesByOption?: components["schemas"]["TimesByOptionDto"];
        };
        AcceptedRepeatDto: {
            /** @enum {string} */
            kind: "until accepted";
            backTo: string;
            maximum: number;
            expected: number;
        };
        ElapsedRuleDto: {
            /** @enum {string} */
            kind: "elapsed";
            what: string;
            minimumMinutes: number;
            maximumMinutes?: number;
        };
        CureLawDto: {
            referenceTempC: number;
            q10: number;
            minimumTempC: number;
        };
        EquivalentRuleDto: {
            /** @enum {string} */
            kind: "equivalent";
            what: string;
            minimumDays: number;
            law: components["schemas"]["CureLawDto"];
        };
        PressedRuleDto: {
            /** @enum {string} */
            kind: "pressed";
            what: string;
            adhesiveId?: string;
            material?: string;
            face?: string;
            minutes?: number;
        };
        GlueSetRuleDto: {
            /** @enum {string} */
            kind: "glueSet";
            what: string;
            adhesiveId: string;
        };
        InBandRuleDto: {
            /** @enum {string} */
            kind: "inBand";
            what: string;
            characteristic?: string;
            low: number;
            high: number;
            needed: number;
            unit: string;
            tooLow: string;
            tooHigh: string;
        };
        InControlRuleDto: {
            /** @enum {string} */
            kind: "inControl";
            what: string;
            characteristic: string;
        };
        SpreadRuleDto: {
            /** @enum {string} */
            kind: "spread";
            limit: number;
            unit: string;
            characteristic?: string;
        };
        GradientRuleDto: {
            /** @enum {string} */
            kind: "gradient";
            limit: number;
            shell?: string;
            core?: string;
        };
        StableRuleDto: {
            /** @enum {string} */
            kind: "stable";
            limitPerDay: number;
            windowDays: number;
            characteristic?: string;
        };
        WindowRuleDto: {
            /** @enum {string} */
            kind: "window";
            minimumMinutes: number;
            maximumMinutes: number;
            afterwards: string;
        };
        SprayLimitsDto: {
            minTempC: number;
            maxTempC: number;
            minHumidity: number;
            maxHumidity: number;
            dewMarginC: number;
        };
        ClimateRuleDto: {
            /** @enum {string} */
            kind: "climate";
            limits: components["schemas"]["SprayLimitsDto"];
        };
        SignOffRuleDto: {
            /** @enum {string} */
            kind: "signOff";
            skill: string;
        };
        PartsRuleDto: {
            /** @enum {string} */
            kind: "parts";
        };
        ProgramReleasedRuleDto: {
            /** @enum {string} */
            kind: "programReleased";
            what: string;
        };
        CutterWithinLifeRuleDto: {
            /** @enum {string} */
            kind: "cutterWithinLife";
            cutter: string;
            stationCode: string;
        };
        PlaceNeedDto: {
            /** @enum {string} */
            kind: "rack" | "table" | "press" | "carousel" | "mould" | "form" | "rig" | "freezer shelf" | "cart" | "clamp rack" | "clip rack" | "hose table" | "vacuum table" | "brace press" | "bending press";
            outline?: boolean;
        };
        RigNeedDto: {
            /** @enum {string} */
            kind: "rack" | "table" | "press" | "carousel" | "mould" | "form" | "rig" | "freezer shelf" | "cart" | "clamp rack" | "clip rack" | "hose table" | "vacuum table" | "brace press" | "bending press";
            outline?: boolean;
        };
        WipedWoodDto: {
            /** @enum {string} */
            component: "body" | "neck" | "fingerboard" | "top" | "back" | "sides" | "small part" | "instrument";
            in: string[];
        };
        WipeDto: {
            withWhat: string;
            minutes: number;
            wood?: components["schemas"]["WipedWoodDto"];
        };
        WayDto: {
            id: string;
            name: string;
            stationCode: string;
            skill?: string;
            skillLevel?: number;
            setupMinutes: number;
            minutesPerPiece: number;
            cautions?: string[];
        };
        SettingFigureDto: {
            unit: string;
            low: number;
            high: number;
        };
        JobSettingDto: {
            id: string;
            name: string;
            figure?: components["schemas"]["SettingFigureDto"];
        };
        SheetPictureInDto: {
            id: string;
            caption: string;
        };
        SheetTickDto: {
            key: string;
            text: string;
        };
        StepSheetDto: {
            instructions?: string[];
            pictures?: components["schemas"]["SheetPictureInDto"][];
            ticks?: components["schemas"]["SheetTickDto"][];
            notes?: components["schemas"]["JobSettingDto"][];
            lookFor?: string[];
            looksBadNow?: string[];
            endsPiece?: string[];
        };
        PrerequisiteNeedDto: {
            /** @enum {string} */
            kind: "program" | "fixture" | "sample" | "kit";
            what: string;
            checked?: boolean;
        };
        DrawDto: {
            modelId: string;
            perPiece: number;
        };
        HowManyDto: {
            measured: number;
            of: number;
        };
        CharacteristicDto: {
            id: string;
            name: string;
            unit: string;
            low: number;
            target: number;
            high: number;
            instrument?: string;
            sample?: components["schemas"]["HowManyDto"];
            holds?: boolean;
            decidingSkill?: string;
        };
        CoatPlanDto: {
            materialId: string;
            volumeSolids: number;
            coats: number;
            wetUm: number;
            flashMinutes: number;
            recoatMaxMinutes: number;
        };
        OperationDto: {
            when?: components["schemas"]["OptionConditionDto"] | components["schemas"]["SpeciesConditionDto"] | components["schemas"]["ConstructionConditionDto"] | components["schemas"]["NotConditionDto"] | components["schemas"]["AllConditionDto"] | components["schemas"]["AnyConditionDto"];
            repeat?: components["schemas"]["CountRepeatDto"] | components["schemas"]["AcceptedRepeatDto"];
            noWait?: boolean;
            place?: components["schemas"]["PlaceNeedDto"];
            rig?: components["schemas"]["RigNeedDto"];
            wipe?: components["schemas"]["WipeDto"];
            handOver?: boolean;
            reworkAlone?: boolean;
            matchedSet?: boolean;
            ways?: components["schemas"]["WayDto"][];
            settings?: components["schemas"]["JobSettingDto"][];
            sheet?: components["schemas"]["StepSheetDto"];
            needs?: components["schemas"]["PrerequisiteNeedDto"][];
            draws?: components["schemas"]["DrawDto"][];
            characteristics?: components["schemas"]["CharacteristicDto"][];
            coat?: components["schemas"]["CoatPlanDto"];
            grit?: number;
            cautions?: string[];
            awayDays?: number;
            id: string;
            name: string;
            /** @enum {string} */
            stage: "woodRoom" | "roughMill" | "machining" | "necks" | "bodies" | "fitting" | "finishing" | "assembly" | "finalRest" | "dispatch";
            /** @enum {string} */
            component: "body" | "neck" | "fingerboard" | "top" | "back" | "sides" | "small part" | "instrument";
            /** @enum {string} */
            kind: "work" | "dwell" | "join" | "fit" | "part" | "refit" | "outside" | "transfer" | "buffer" | "dispatch";
            stationCode: string;
            skill?: string;
            skillLevel?: number;
            setupMinutes: number;
            minutesPerPiece: number;
            wayName?: string;
            gate: (components["schemas"]["ElapsedRuleDto"] | components["schemas"]["EquivalentRuleDto"] | components["schemas"]["PressedRuleDto"] | components["schemas"]["GlueSetRuleDto"] | components["schemas"]["InBandRuleDto"] | components["schemas"]["InControlRuleDto"] | components["schemas"]["SpreadRuleDto"] | components["schemas"]["GradientRuleDto"] | components["schemas"]["StableRuleDto"] | components["schemas"]["WindowRuleDto"] | components["schemas"]["ClimateRuleDto"] | components["schemas"]["SignOffRuleDto"] | components["schemas"]["PartsRuleDto"] | components["schemas"]["ProgramReleasedRuleDto"] | components["schemas"]["CutterWithinLifeRuleDto"])[];
            next: string[];
        };
        RouteOptionValueDto: {
            id: string;
            name: string;
            wood?: {
                [key: string]: string;
            };
            /** @enum {string} */
            look?: "clear" | "solid";
            extraPrice?: number;
        };
        RouteOptionDto: {
            id: string;
            name: string;
            values: components["schemas"]["RouteOptionValueDto"][];
        };
        RouteGraphDto: {
            operations: components["schemas"]["OperationDto"][];
            options?: components["schemas"]["RouteOptionDto"][];
        };
        RouteProblemView: {
            operationId: string | null;
            message: string;
        };
        RouteView: {
            version: components["schemas"]["RouteVersionView"];
            graph: components["schemas"]["RouteGraphDto"];
            problems: components["schemas"]["RouteProblemView"][];
        };
        MoveOverView: {
            batchId: string;
            version: number;
            /** @enum {string} */
            component: "body" | "neck" | "fingerboard" | "top" | "back" | "sides" | "small part" | "instrument";
            quantity: number;
            fromVersion: number;
            /** @enum {string} */
            stage: "woodRoom" | "roughMill" | "machining" | "necks" | "bodies" | "fitting" | "finishing" | "assembly" | "finalRest" | "dispatch";
            operationName: string;
            toOperationId: string | null;
            toOperationName: string | null;
            stepsAhead: number;
            stepsAheadThen: number;
            sentence: string;
            possible: boolean;
        };
        DraftDto: {
            modelId: string;
            fromRouteId?: string;
        };
        SaveDraftDto: {
            operations: components["schemas"]["OperationDto"][];
            options?: components["schemas"]["RouteOptionDto"][];
            revision: number;
        };
        SavedDraftView: {
            id: string;
            revision: number;
            problems: components["schemas"]["RouteProblemView"][];
        };
        ReleaseRouteDto: {
            revision: number;
            reason: string;
            effectiveMs?: number;
        };
        DiscardRouteDto: {
            revision: number;
        };
        TurnView: {
            batch: components["schemas"]["BatchView"];
            reason: string;
        };
        StationWorkView: {
            code: string;
            name: string;
            /** @enum {string} */
            stage: "woodRoom" | "roughMill" | "machining" | "necks" | "bodies" | "fitting" | "finishing" | "assembly" | "finalRest" | "dispatch";
            /** @enum {string} */
            kind: "work" | "dwell";
            places: number;
            running: components["schemas"]["BatchView"][];
            queue: components["schemas"]["TurnView"][];
            elsewhere: components["schemas"]["TurnView"][];
            cautions: string[];
        };
        RigOfView: {
            stationCode: string;
            /** @enum {string} */
            cycle: "a timer for each place" | "all places together";
            handsMinutes: number;
        };
        OnCarrierView: {
            batchId: string;
            /** @enum {string} */
            component: "body" | "neck" | "fingerboard" | "top" | "back" | "sides" | "small part" | "instrument";
            pieces: number;
        };
        CarrierView: {
            id: string;
            name: string;
            /** @enum {string} */
            kind: "rack" | "table" | "press" | "carousel" | "mould" | "form" | "rig" | "freezer shelf" | "cart" | "clamp rack" | "clip rack" | "hose table" | "vacuum table" | "brace press" | "bending press";
            places: number;
            taken: number;
            active: boolean;
            version: number;
            zoneId: string;
            outline: string | null;
            rig: components["schemas"]["RigOfView"] | null;
            batches: components["schemas"]["OnCarrierView"][];
        };
        OneCarrierView: {
            carrier: components["schemas"]["CarrierView"];
            batches: components["schemas"]["BatchView"][];
        };
        DeviceLineView: {
            /** @enum {string} */
            state: "none" | "on" | "off";
            sinceMs: number;
        };
        DeviceView: {
            id: string;
            name: string;
            /** @enum {string} */
            kind: "caliper" | "scale" | "moisture meter" | "climate sensor" | "machine controller";
            stationCode: string | null;
            bench: number | null;
            zoneId: string | null;
            place: string;
            active: boolean;
            /** @enum {string} */
            standing: "put away" | "never" | "silent" | "off" | "on";
            troubles: string[];
            heardMs: number | null;
            told: string | null;
            toldMs: number | null;
            aheadMs: number | null;
            taken: number;
            doubled: number;
            refused: number;
            heldBack: number;
            version: number;
        };
        DeviceRefusalView: {
            id: number;
            deviceId: string;
            heardMs: number;
            why: string;
            said: string;
        };
        DevicesView: {
            line: components["schemas"]["DeviceLineView"];
            devices: components["schemas"]["DeviceView"][];
            refusals: components["schemas"]["DeviceRefusalView"][];
        };
        DeviceDto: {
            id: string;
            name: string;
            /** @enum {string} */
            kind: "caliper" | "scale" | "moisture meter" | "climate sensor" | "machine controller";
            stationCode: string | null;
            bench: number | null;
            zoneId: string | null;
        };
        DevicePasswordView: {
            id: string;
            password: string;
        };
        ChangeDeviceDto: {
            version: number;
            name: string;
            stationCode: string | null;
            bench: number | null;
            zoneId: string | null;
            active: boolean;
        };
        VersionDto: {
            version: number;
        };
        DeviceValueView: {
            seq: string;
            deviceId: string;
            deviceName: string;
            /** @enum {string} */
            quantity: "length" | "mass" | "moisture";
            value: number;
            atMs: number;
        };
        DeviceValuesView: {
            cursor: string;
            devices: string[];
            values: components["schemas"]["DeviceValueView"][];
        };
        TakeValueDto: {
            by: string;
        };
        BatchPage: {
            rows: components["schemas"]["BatchView"][];
            next: string | null;
            found: number;
            foundExactly: boolean;
        };
        PieceView: {
            id: string;
            ordinal: number;
            /** @enum {string} */
            state: "good" | "rework" | "scrapped" | "joined" | "drawn" | "fitted" | "apart" | "shipped";
            serial: string | null;
            intoId: string | null;
            setId: string | null;
            grit: number | null;
            coats: number;
        };
        ForecastView: {
            operationId: string;
            operationName: string;
            /** @enum {string} */
            stage: "woodRoom" | "roughMill" | "machining" | "necks" | "bodies" | "fitting" | "finishing" | "assembly" | "finalRest" | "dispatch";
            /** @enum {string} */
            kind: "work" | "dwell" | "join" | "fit" | "part" | "refit" | "outside" | "transfer" | "buffer" | "dispatch";
            arriveMs: number;
            leaveMs: number;
            needs: string[];
        };
        CoatPlanView: {
            materialId: string;
            materialName: string;
            coats: number;
            wetUm: number;
            flashMinutes: number;
        };
        SettingFigureView: {
            unit: string;
            low: number;
            high: number;
        };
        SettingView: {
            id: string;
            name: string;
            figure: components["schemas"]["SettingFigureView"] | null;
        };
        SheetPictureView: {
            id: string;
            caption: string;
        };
        SheetTickView: {
            key: string;
            text: string;
        };
        SheetView: {
            instructions: string[];
            pictures: components["schemas"]["SheetPictureView"][];
            ticks: components["schemas"]["SheetTickView"][];
            notes: components["schemas"]["SettingView"][];
            lookFor: string[];
            looksBadNow: string[];
            endsPiece: string[];
        };
        UnmeasuredView: {
            characteristicId: string;
            name: string;
            taken: number;
            wanted: number;
            pieceIds: string[];
        };
        OffMeasureView: {
            pieceId: string;
            name: string;
            unit: string;
            value: number;
            low: number;
            high: number;
        };
        DefectKindsView: {
            usual: string[];
            other: string[];
        };
        StepChoiceView: {
            id: string;
            name: string;
        };
        WayView: {
            id: string;
            name: string;
            stationName: string;
            minutesPerPiece: number;
        };
        WaitingView: {
            id: string;
            /** @enum {string} */
            component: "body" | "neck" | "fingerboard" | "top" | "back" | "sides" | "small part" | "instrument";
            quantity: number;
        };
        KitShortageView: {
            sentence: string;
            enoughFor: number;
        };
        MachineStartView: {
            id: string;
            bench: number;
            takenBy: string | null;
            left: string | null;
            leftMs: number | null;
            same: boolean;
            lacking: string[];
            warnings: string[];
            controller: string | null;
            controllerAgainst: string | null;
        };
        ProgramStartView: {
            what: string;
            revision: string | null;
            fixture: string;
            piecesALoad: number;
            loads: number;
            checked: boolean;
            machines: components["schemas"]["MachineStartView"][];
        };
        WipeStandingView: {
            withWhat: string;
            minutes: number;
            due: number;
            untilMs: number | null;
        };
        InRigWithView: {
            batchId: string;
            pieces: number;
        };
        RigChoiceView: {
            rigId: string;
            name: string;
            /** @enum {string} */
            cycle: "a timer for each place" | "all places together";
            places: number;
            free: number;
            isClosed: boolean;
            own: number;
            ownOver: number;
            nextMs: number | null;
            closeByMs: number | null;
            others: components["schemas"]["InRigWithView"][];
        };
        RigsForView: {
            stepName: string;
            outside: number;
            wipe: components["schemas"]["WipeStandingView"] | null;
            rigs: components["schemas"]["RigChoiceView"][];
        };
        UndoView: {
            entryId: number;
            sentence: string;
        };
        CardView: {
            batch: components["schemas"]["BatchView"];
            customer: string;
            lotPlace: string | null;
            options: string[];
            pieces: components["schemas"]["PieceView"][];
            inPass: string[];
            visits: components["schemas"]["VisitView"][];
            forecast: components["schemas"]["ForecastView"][];
            coats: components["schemas"]["CoatView"][];
            coatsThisVisit: number;
            coatPlan: components["schemas"]["CoatPlanView"] | null;
            build: components["schemas"]["BuildView"] | null;
            coatFindings: components["schemas"]["FindingView"][];
            characteristics: components["schemas"]["CharacteristicView"][];
            settings: components["schemas"]["SettingView"][];
            sheet: components["schemas"]["SheetView"] | null;
            unmeasured: components["schemas"]["UnmeasuredView"][];
            off: components["schemas"]["OffMeasureView"][];
            measures: components["schemas"]["MeasureView"][];
            defects: components["schemas"]["DefectView"][];
            overrides: components["schemas"]["OverrideView"][];
            log: components["schemas"]["LogView"][];
            cautions: string[];
            defectKinds: components["schemas"]["DefectKindsView"];
            originChoices: components["schemas"]["StepChoiceView"][];
            workers: components["schemas"]["StepChoiceView"][];
            accepters: components["schemas"]["StepChoiceView"][];
            fittedInto: string[];
            ways: components["schemas"]["WayView"][];
            besides: components["schemas"]["WaitingView"][];
            reworkAlone: boolean;
            kitShortage: components["schemas"]["KitShortageView"] | null;
            program: components["schemas"]["ProgramStartView"] | null;
            rigs: components["schemas"]["RigsForView"] | null;
            together: components["schemas"]["WaitingView"][];
            hostsHere: boolean;
            undo: components["schemas"]["UndoView"] | null;
            stationPass: number;
            stationPasses: number;
        };
        PlacementDto: {
            carrierId: string;
            pieces: number;
        };
        StartBatchDto: {
            modelId: string;
            /** @enum {string} */
            component: "body" | "neck" | "fingerboard" | "top" | "back" | "sides" | "small part";
            quantity: number;
            lotId: string;
            blankIds?: string[];
            orderId: string | null;
            placements?: components["schemas"]["PlacementDto"][];
            restIsOffcut?: boolean;
            /** @enum {string} */
            workClass?: "order" | "special" | "trial" | "tooling";
            matchBatchId?: string;
        };
        SettingDto: {
            id: string;
            figure?: number;
            words?: string;
        };
        StartCheckDto: {
            machineId: string;
            revision: string;
            ticks: string[];
            setUpMinutes?: number;
            quotedMinutes?: number;
        };
        StartWorkDto: {
            version: number;
            atMs?: number;
            personId: string;
            wayId?: string;
            withBatchIds?: string[];
            placements?: components["schemas"]["PlacementDto"][];
            quantity?: number;
            settings?: components["schemas"]["SettingDto"][];
            check?: components["schemas"]["StartCheckDto"];
        };
        PauseDto: {
            version: number;
            atMs?: number;
            cause: string;
        };
        ResumeDto: {
            version: number;
            atMs?: number;
            personId: string;
            check?: components["schemas"]["StartCheckDto"];
        };
        OutcomeDto: {
            pieceId: string;
            /** @enum {string} */
            outcome: "rework" | "scrap";
            defect: string;
            originOperationId: string;
            note: string;
        };
        SheetSaidDto: {
            ticks: string[];
            notes: components["schemas"]["SettingDto"][];
        };
        FinishDto: {
            version: number;
            atMs?: number;
            good: number;
            rework: number;
            scrap: number;
            outcomes: components["schemas"]["OutcomeDto"][];
            acceptReason?: string;
            sheet?: components["schemas"]["SheetSaidDto"];
        };
        FinishSomeDto: {
            version: number;
            atMs?: number;
            pieceIds: string[];
            sheet?: components["schemas"]["SheetSaidDto"];
        };
        MoveDto: {
            version: number;
            atMs?: number;
            overrideReason?: string;
            accepted?: boolean;
            placements?: components["schemas"]["PlacementDto"][];
        };
        PlaceDto: {
            version: number;
            atMs?: number;
            placements: components["schemas"]["PlacementDto"][];
        };
        WhenDto: {
            version: number;
            atMs?: number;
        };
        SignOffDto: {
            version: number;
            atMs?: number;
            pin?: string;
            skill: string;
        };
        RefusedPieceDto: {
            pieceId: string;
            defect: string;
            originOperationId: string;
            note: string;
            /** @enum {string} */
            disposition: "use as is" | "rework" | "scrap" | "hold";
            toOperationId: string | null;
        };
        RefuseDto: {
            version: number;
            atMs?: number;
            pieces: components["schemas"]["RefusedPieceDto"][];
        };
        PieceDefectDto: {
            pieceId: string;
            defect: string;
            originOperationId: string;
            note: string;
        };
        ScrapDto: {
            version: number;
            atMs?: number;
            pieces: components["schemas"]["PieceDefectDto"][];
        };
        PiecesDto: {
            version: number;
            atMs?: number;
            pieceIds: string[];
        };
        MergeDto: {
            version: number;
            atMs?: number;
            fromBatchId: string;
        };
        JoinDto: {
            version: number;
            atMs?: number;
            personId: string;
            guestBatchIds: string[];
        };
        WorkDto: {
            version: number;
            atMs?: number;
            personId: string;
        };
        RefitDto: {
            version: number;
            atMs?: number;
            personId: string;
            neckBatchId: string;
        };
        SendDto: {
            version: number;
            atMs?: number;
            to: string;
            dueBackMs: number;
        };
        HoldDto: {
            version: number;
            atMs?: number;
            reason: string;
        };
        UndoDto: {
            version: number;
            atMs?: number;
            entryId: number;
            reason: string;
        };
        CallDto: {
            version: number;
            atMs?: number;
            quantity: number;
            orderId: string | null;
        };
        VerdictDto: {
            version: number;
            atMs?: number;
            /** @enum {string} */
            verdict: "take it up" | "change it and try again" | "drop it";
            words: string;
        };
        RerouteDto: {
            version: number;
            atMs?: number;
            routeId: string;
            operationId: string;
            reason: string;
        };
        BandView: {
            low: number;
            high: number;
        };
        ReadyView: {
            /** @enum {string} */
            kind: "in band" | "on its way" | "not in this room" | "too early to tell";
            emcPct: number;
            nowPct: number;
            earlyMs: number | null;
            likelyMs: number | null;
            lateMs: number | null;
            piecesMs: number | null;
            pastBandMs: number | null;
            ratePerDay: number;
            /** @enum {string} */
            basis: "prior" | "blended" | "measured";
        };
        LotView: {
            id: string;
            number: number;
            species: string;
            form: string;
            /** @enum {string} */
            use: "body" | "neck" | "top" | "back" | "sides" | "fingerboard";
            thicknessMm: number;
            volumeM3: number;
            leftM3: number;
            supplier: string;
            origin: string;
            permit: string | null;
            restricted: boolean;
            zoneId: string;
            receivedMs: number;
            /** @enum {string} */
            state: "drying" | "released" | "used up";
            releasedMs: number | null;
            meanPct: number | null;
            lastReadMs: number | null;
            version: number;
            band: components["schemas"]["BandView"];
            /** @enum {string|null} */
            outOfBand: "at its release" | "since its release" | null;
            /** @enum {string} */
            verdict: "pass" | "wait" | "stop";
            findings: components["schemas"]["FindingView"][];
            latest: number[];
            odd: number[];
            readingsNeeded: number;
            rulesOf: string;
            ready: components["schemas"]["ReadyView"] | null;
            papersPct: number | null;
            firstPct: number | null;
            grade: string | null;
            place: string | null;
            wholeBoards: number;
            scheduleId: string | null;
            sessions: number;
        };
        LotPage: {
            rows: components["schemas"]["LotView"][];
            next: string | null;
            found: number;
            foundExactly: boolean;
        };
        StayView: {
            zoneId: string;
            zoneName: string;
            fromMs: number;
        };
        SampleView: {
            name: string;
            dryMassG: number;
        };
        FanPointView: {
            atMs: number;
            meanPct: number;
            lowPct: number;
            highPct: number;
        };
        OutlookView: {
            /** @enum {string} */
            kind: "in band" | "on its way" | "not in this room" | "too early to tell";
            emcPct: number;
            nowPct: number;
            earlyMs: number | null;
            likelyMs: number | null;
            lateMs: number | null;
            piecesMs: number | null;
            pastBandMs: number | null;
            ratePerDay: number;
            /** @enum {string} */
            basis: "prior" | "blended" | "measured";
            fan: components["schemas"]["FanPointView"][];
        };
        CurvePointView: {
            atMs: number;
            pct: number;
        };
        ExcursionView: {
            /** @enum {string} */
            kind: "too dry" | "too wet";
            fromMs: number;
            toMs: number;
            worstPct: number;
        };
        DryingView: {
            outlook: components["schemas"]["OutlookView"];
            curve: components["schemas"]["CurvePointView"][];
            emc: components["schemas"]["CurvePointView"][];
            excursions: components["schemas"]["ExcursionView"][];
            oddSessions: string[];
            rateLowPerDay: number;
            rateHighPerDay: number;
            scatter: number;
            driftPct: number;
            pieceSdPct: number;
        };
        LotUseView: {
            batchId: string;
            modelName: string;
            component: string;
            startedMs: number;
        };
        KeptWoodView: {
            orderId: string;
            customer: string;
            volumeM3: number;
        };
        RectDto: {
            xMm: number;
            yMm: number;
            lengthMm: number;
            widthMm: number;
        };
        BoardView: {
            id: string;
            lotId: string;
            ordinal: number;
            lengthMm: number;
            widthMm: number;
            widthEndMm: number;
            thicknessMm: number;
            faults: components["schemas"]["RectDto"][];
            grade: string | null;
            massG: number | null;
            setId: string | null;
            /** @enum {string} */
            state: "whole" | "cut";
        };
        BlankView: {
            id: string;
            lotId: string;
            boardId: string;
            species: string;
            /** @enum {string} */
            use: "body" | "neck" | "top" | "back" | "sides" | "fingerboard";
            modelId: string;
            modelName: string;
            component: string;
            lengthMm: number;
            widthMm: number;
            thicknessMm: number;
            setId: string;
            /** @enum {string} */
            look: "clear" | "solid";
            massG: number | null;
            moisturePct: number | null;
            orderId: string | null;
            /** @enum {string} */
            state: "free" | "started" | "joined";
            pieceId: string | null;
            serial: string | null;
            version: number;
        };
        PictureView: {
            id: string;
            boardId: string | null;
            atMs: number;
            name: string;
        };
        LotCardView: {
            lot: components["schemas"]["LotView"];
            zoneName: string;
            stays: components["schemas"]["StayView"][];
            samples: components["schemas"]["SampleView"][];
            drying: components["schemas"]["DryingView"] | null;
            sessions: components["schemas"]["ReadingSessionView"][];
            batches: components["schemas"]["LotUseView"][];
            serials: string[];
            kept: components["schemas"]["KeptWoodView"][];
            boards: components["schemas"]["BoardView"][];
            blanks: components["schemas"]["BlankView"][];
            pictures: components["schemas"]["PictureView"][];
            overrides: components["schemas"]["OverrideView"][];
            log: components["schemas"]["LogView"][];
        };
        ReceiveLotDto: {
            species: string;
            form: string;
            /** @enum {string} */
            use: "body" | "neck" | "top" | "back" | "sides" | "fingerboard";
            thicknessMm: number;
            volumeM3: number;
            supplier: string;
            origin: string;
            permit: string | null;
            restricted: boolean;
            zoneId: string;
            papersPct?: number | null;
            grade?: string | null;
            place?: string | null;
        };
        ReadingsDto: {
            version: number;
            text: string;
            woodTempC: number;
            /** @enum {string} */
            meter: "pin" | "pinless" | "oven" | "sample board";
            atMs?: number;
        };
        DescribeLotDto: {
            version: number;
            papersPct?: number | null;
            grade?: string | null;
            place?: string | null;
            permit?: string | null;
        };
        MoveLotDto: {
            version: number;
            zoneId: string;
            place: string | null;
            scheduleId: string | null;
        };
        KeepWoodDto: {
            version: number;
            orderId: string;
            volumeM3: number;
        };
        CorrectReadingDto: {
            version: number;
            sessionId: string;
            seq: number;
            text: string;
        };
        StrikeDto: {
            version: number;
            sessionId: string;
            seq: number;
            reason: string;
        };
        ReleaseLotDto: {
            version: number;
            overrideReason?: string;
        };
        TimesChoiceView: {
            /** @enum {string} */
            value: "year first" | "day first" | "month first" | "local" | "standard" | "summer";
            fromMs: number | null;
            toMs: number | null;
        };
        TimesQuestionView: {
            /** @enum {string} */
            about: "order" | "clock";
            choices: components["schemas"]["TimesChoiceView"][];
        };
        MeterColumnsDto: {
            time: string;
            timeOfDay?: string | null;
            /** @enum {string|null} */
            dateOrder?: "year first" | "day first" | "month first" | null;
            lot: string;
            woodTemp: string | null;
            /** @enum {string} */
            tempUnit: "C" | "F";
            depth: string | null;
            readings: string[];
        };
        ImportRowView: {
            line: number;
            lotId: string;
            text: string;
            atMs: number | null;
            problem: string | null;
            known: boolean;
        };
        ImportView: {
            header: string[];
            remembered: boolean;
            question: components["schemas"]["TimesQuestionView"] | null;
            /** @enum {string|null} */
            clock: "local" | "standard" | "summer" | null;
            good: number;
            saved: boolean;
            columns: components["schemas"]["MeterColumnsDto"];
            rows: components["schemas"]["ImportRowView"][];
            bad: number;
            known: number;
        };
        SatThroughView: {
            lots: string[];
            batches: string[];
        };
        RoomExcursionView: {
            /** @enum {string} */
            kind: "too dry" | "too wet";
            fromMs: number;
            toMs: number;
            worstPct: number;
            satThrough: components["schemas"]["SatThroughView"];
        };
        AirView: {
            zoneId: string;
            zoneName: string;
            emcNowPct: number;
            band: components["schemas"]["BandView"];
            bandFrom: string;
            course: components["schemas"]["FanPointView"][];
            excursions: components["schemas"]["RoomExcursionView"][];
            silences: components["schemas"]["CurvePointView"][];
        };
        LoggerColumnsDto: {
            time: string;
            timeOfDay?: string | null;
            /** @enum {string|null} */
            dateOrder?: "year first" | "day first" | "month first" | null;
            temp: string;
            humidity: string;
            /** @enum {string} */
            tempUnit: "C" | "F";
            /** @enum {string} */
            humidityUnit: "percent" | "fraction";
        };
        LoggerProblemView: {
            line: number;
            text: string;
            problem: string;
        };
        SilenceView: {
            fromMs: number;
            toMs: number;
        };
        LoggerView: {
            header: string[];
            remembered: boolean;
            question: components["schemas"]["TimesQuestionView"] | null;
            /** @enum {string|null} */
            clock: "local" | "standard" | "summer" | null;
            good: number;
            saved: boolean;
            columns: components["schemas"]["LoggerColumnsDto"];
            problems: components["schemas"]["LoggerProblemView"][];
            gaps: components["schemas"]["SilenceView"][];
            clockChanges: number[];
            fromMs: number | null;
            toMs: number | null;
            replaced: number;
        };
        CuttingSettingsDto: {
            kerfMm: number;
            edgingMm: number;
            endTrimMm: number;
            planingMm: number;
            resawKerfMm: number;
        };
        CutNeedView: {
            modelId: string;
            modelName: string;
            component: string;
            species: string;
            use: string;
            orderId: string | null;
            dueMs: number | null;
            lengthMm: number;
            widthMm: number;
            thicknessMm: number;
            leavesEach: number;
            count: number;
        };
        CuttingView: {
            settings: components["schemas"]["CuttingSettingsDto"];
            needs: components["schemas"]["CutNeedView"][];
            whole: components["schemas"]["BoardView"][];
        };
        PlanLineView: {
            id: string;
            number: number;
            atMs: number;
            by: string;
            lotIds: string[];
            boards: number;
            blanks: number;
            /** @enum {string} */
            state: "draft" | "cut";
        };
        PlanLinePage: {
            rows: components["schemas"]["PlanLineView"][];
            next: string | null;
            found: number;
            foundExactly: boolean;
        };
        WantDto: {
            id: string;
            modelId: string;
            component: string;
            orderId: string | null;
            lengthMm: number;
            widthMm: number;
            thicknessMm: number;
            leavesEach: number;
            anyGrain?: boolean;
            count: number;
            value: number;
        };
        PlacedBlankDto: {
            xMm: number;
            yMm: number;
            lengthMm: number;
            widthMm: number;
            blankId: string;
            pieces: number;
        };
        BoardPlanDto: {
            boardId: string;
            placed: components["schemas"]["PlacedBlankDto"][];
        };
        YieldView: {
            of: string;
            boards: number;
            yield: number;
        };
        PlanView: {
            id: string;
            number: number;
            atMs: number;
            by: string;
            lotIds: string[];
            boards: number;
            blanks: number;
            /** @enum {string} */
            state: "draft" | "cut";
            version: number;
            settings: components["schemas"]["CuttingSettingsDto"];
            wanted: components["schemas"]["WantDto"][];
            plans: components["schemas"]["BoardPlanDto"][];
            whole: components["schemas"]["BoardView"][];
            past: components["schemas"]["YieldView"][];
            cut: components["schemas"]["BlankView"][];
        };
        PlanDto: {
            lotIds: string[];
            settings: components["schemas"]["CuttingSettingsDto"];
            wanted: components["schemas"]["WantDto"][];
            boards: components["schemas"]["BoardPlanDto"][];
        };
        SavePlanDto: {
            lotIds: string[];
            settings: components["schemas"]["CuttingSettingsDto"];
            wanted: components["schemas"]["WantDto"][];
            boards: components["schemas"]["BoardPlanDto"][];
            version: number;
        };
        BoardDto: {
            lengthMm: number;
            widthMm: number;
            widthEndMm: number;
            thicknessMm: number;
            faults: components["schemas"]["RectDto"][];
            grade?: string | null;
            massG?: number | null;
            setId?: string | null;
        };
        BoardsDto: {
            version: number;
            boards: components["schemas"]["BoardDto"][];
        };
        WeighedDto: {
            version: number;
            id: string;
            massG: number;
            moisturePct?: number;
        };
        WeighDto: {
            blanks: components["schemas"]["WeighedDto"][];
        };
        BlankVersionDto: {
            version: number;
            id: string;
        };
        JoinBlanksDto: {
            blanks: components["schemas"]["BlankVersionDto"][];
            jointMm: number;
        };
        ReserveDto: {
            blanks: components["schemas"]["BlankVersionDto"][];
            orderId: string | null;
        };
        StockLineView: {
            species: string;
            use: string;
            form: string;
            grade: string | null;
            /** @enum {string} */
            state: "raw" | "drying" | "released" | "blank" | "reserved" | "part-made";
            lots: number;
            pieces: number | null;
            leftM3: number | null;
        };
        CoverView: {
            species: string;
            use: string;
            readyM3: number;
            dryingM3: number;
            keptM3: number;
            blanks: number;
            reserved: number;
            partMade: number;
            usedM3PerDay: number;
            days: number | null;
            shortMs: number | null;
            shortM3: number;
            buyByMs: number | null;
            ordersAtRisk: string[];
            cutFirst: string | null;
        };
        SupplierView: {
            supplier: string;
            lots: number;
            wetterPct: number;
        };
        StockView: {
            lines: components["schemas"]["StockLineView"][];
            cover: components["schemas"]["CoverView"][];
            suppliers: components["schemas"]["SupplierView"][];
        };
        LotForOrderView: {
            id: string;
            version: number;
            /** @enum {string} */
            state: "drying" | "released" | "used up";
            freeM3: number;
            keptM3: number;
        };
        OrderPartWoodView: {
            /** @enum {string} */
            component: "body" | "neck" | "fingerboard" | "top" | "back" | "sides" | "small part" | "instrument";
            species: string;
            /** @enum {string} */
            use: "body" | "neck" | "top" | "back" | "sides" | "fingerboard";
            chosen: boolean;
            neededM3: number;
            keptM3: number;
            lots: components["schemas"]["LotForOrderView"][];
        };
        OrderWoodView: {
            parts: components["schemas"]["OrderPartWoodView"][];
        };
        AllottedView: {
            slotId: string;
            orderId: string;
            blankId: string;
            blankVersion: number;
            predictedG: number;
            inBand: boolean;
            chamberCm3: number;
            reserved: boolean;
        };
        AllotmentView: {
            lowG: number;
            highG: number;
            allotted: components["schemas"]["AllottedView"][];
            unmet: number;
            left: string[];
            inBandAsTheyCome: number;
        };
        HeldSkillDto: {
            skill: string;
            level: number;
            /** Format: date */
            since: string | null;
            /** Format: date */
            until: string | null;
        };
        AbsenceDto: {
            fromMs: number;
            toMs: number;
        };
        OwnWeekDto: {
            days: number[];
            startsAt: string;
            endsAt: string;
        };
        PersonView: {
            id: string;
            name: string;
            login: string | null;
            /** @enum {string|null} */
            role: "viewer" | "operator" | "lead" | "manager" | "admin" | null;
            skills: components["schemas"]["HeldSkillDto"][];
            away: components["schemas"]["AbsenceDto"][];
            week: components["schemas"]["OwnWeekDto"] | null;
            active: boolean;
            awayUntilMs: number | null;
            version: number;
        };
        StationView: {
            code: string;
            name: string;
            /** @enum {string} */
            stage: "woodRoom" | "roughMill" | "machining" | "necks" | "bodies" | "fitting" | "finishing" | "assembly" | "finalRest" | "dispatch";
            zoneId: string;
            /** @enum {string} */
            kind: "work" | "dwell";
            places: number;
            version: number;
        };
        BlankSizeDto: {
            lengthMm: number;
            widthMm: number;
            thicknessMm: number;
            leavesEach: number;
        };
        WeightTargetDto: {
            lowG: number;
            highG: number;
            partVolumeCm3: number;
            otherMassG: number;
        };
        WoodView: {
            /** @enum {string} */
            component: "body" | "neck" | "fingerboard" | "top" | "back" | "sides" | "small part" | "instrument";
            species: string;
            use: string;
            volumeM3: number;
            thicknessMm: number;
            blank: components["schemas"]["BlankSizeDto"] | null;
            weight: components["schemas"]["WeightTargetDto"] | null;
        };
        RouteStepView: {
            id: string;
            name: string;
            /** @enum {string} */
            component: "body" | "neck" | "fingerboard" | "top" | "back" | "sides" | "small part" | "instrument";
            /** @enum {string} */
            kind: "work" | "dwell" | "join" | "fit" | "part" | "refit" | "outside" | "transfer" | "buffer" | "dispatch";
            stationName: string;
            skill: string | null;
            setupMinutes: number;
            minutesPerPiece: number;
            rules: string[];
            characteristics: components["schemas"]["CharacteristicView"][];
        };
        OptionValueView: {
            id: string;
            name: string;
            wood: {
                [key: string]: string;
            };
            /** @enum {string|null} */
            look: "clear" | "solid" | null;
            extraPrice: number;
        };
        OptionView: {
            id: string;
            name: string;
            values: components["schemas"]["OptionValueView"][];
        };
        ModelView: {
            id: string;
            code: string;
            name: string;
            construction: string;
            batchSize: number;
            scaleLengthMm: number;
            clearanceLowMm: number;
            clearanceTargetMm: number;
            clearanceHighMm: number;
            active: boolean;
            tag: string;
            wood: components["schemas"]["WoodView"][];
            routeVersion: number | null;
            steps: components["schemas"]["RouteStepView"][];
            components: string[];
            options: components["schemas"]["OptionView"][];
        };
        ZoneNameView: {
            id: string;
            name: string;
        };
        CureLawView: {
            referenceTempC: number;
            q10: number;
            minimumTempC: number;
        };
        MaterialView: {
            id: string;
            name: string;
            kind: string;
            volumeSolids: number;
            buildLowUm: number;
            buildHighUm: number;
            cureDays: number;
            cure: components["schemas"]["CureLawView"];
            tag: string;
        };
        SkillView: {
            skill: string;
            holders: string[];
            level: number;
        };
        PrerequisiteView: {
            id: string;
            /** @enum {string} */
            kind: "fixture" | "sample" | "kit";
            what: string;
            modelId: string | null;
            revision: string;
            /** @enum {string} */
            state: "draft" | "released" | "withdrawn";
            note: string;
            version: number;
        };
        MoistureDto: {
            /** @enum {string} */
            gateSchool: "calendar" | "meter" | "both";
            /** @enum {string} */
            bandSchool: "shop" | "fixed";
            halfWidthPct: number;
            fixedLowPct: number;
            fixedHighPct: number;
            readingsNeeded: number;
            readingsPerM3: number;
            spreadLimitPct: number;
            gradientLimitPct: number;
            stableLimitPctPerDay: number;
            stableWindowDays: number;
            daysPer25Mm: number;
        };
        MoistureExceptionDto: {
            /** @enum {string} */
            gateSchool: "calendar" | "meter" | "both";
            /** @enum {string} */
            bandSchool: "shop" | "fixed";
            halfWidthPct: number;
            fixedLowPct: number;
            fixedHighPct: number;
            readingsNeeded: number;
            readingsPerM3: number;
            spreadLimitPct: number;
            gradientLimitPct: number;
            stableLimitPctPerDay: number;
            stableWindowDays: number;
            daysPer25Mm: number;
            /** @enum {string|null} */
            use: "body" | "neck" | "top" | "back" | "sides" | "fingerboard" | null;
            form: string | null;
            fromMm?: number | null;
        };
        MeterCorrectionDto: {
            a: number;
            b: number;
            densityOffsetPct: number;
        };
        SpeciesSourcesDto: {
            movement: string;
            density: string;
            rate: string;
            meter: string;
        };
        SpeciesDto: {
            name: string;
            radial: number | null;
            tangential: number | null;
            densityGPerCm3: number | null;
            ratePerDay: number | null;
            restricted: boolean;
            restrictedBecause: string;
            meter: components["schemas"]["MeterCorrectionDto"] | null;
            sources: components["schemas"]["SpeciesSourcesDto"];
        };
        DefectKindDto: {
            name: string;
            stages: ("woodRoom" | "roughMill" | "machining" | "necks" | "bodies" | "fitting" | "finishing" | "assembly" | "finalRest" | "dispatch")[];
        };
        NotedDto: {
            key: string;
            text: string;
        };
        GluedMaterialDto: {
            name: string;
            clampMinutes: number;
        };
        AdhesiveDto: {
            id: string;
            name: string;
            /** @enum {string} */
            kind: "wood glue" | "epoxy" | "instant" | "solvent cement" | "polyurethane";
            openMinutes?: number;
            clampMinutes: number;
            setMinutes: number;
            lowestC: number;
            timesPer10C: number;
            materials: components["schemas"]["GluedMaterialDto"][];
            note: string;
        };
        ConsigneeDto: {
            name: string;
            note: string;
        };
        KilnStepDto: {
            tempC: number;
            relativeHumidity: number;
            fromPct: number;
        };
        ConditioningDto: {
            tempC: number;
            relativeHumidity: number;
            hours: number;
        };
        KilnScheduleDto: {
            id: string;
            name: string;
            steps: components["schemas"]["KilnStepDto"][];
            targetPct: number;
            conditioning: components["schemas"]["ConditioningDto"] | null;
        };
        MovementLimitDto: {
            id: string;
            name: string;
            limitMm: number;
            because: string;
        };
        HouseDto: {
            name: string;
            woodRoomZoneId: string;
            boothZoneId: string;
            currency: string;
        };
        WoodBuyingDto: {
            deliveryDays: number;
        };
        ClockSpanDto: {
            startsAt: string;
            endsAt: string;
        };
        ShiftDto: {
            startsAt: string;
            endsAt: string;
            days: number[];
            breaks: components["schemas"]["ClockSpanDto"][];
        };
        HolidayDto: {
            /** Format: date */
            date: string;
        };
        ShortDayDto: {
            /** Format: date */
            date: string;
            endsAt: string;
        };
        WorkingTimeDto: {
            timeZone: string;
            shifts: components["schemas"]["ShiftDto"][];
            holidays: components["schemas"]["HolidayDto"][];
            shortDays: components["schemas"]["ShortDayDto"][];
        };
        SprayLimitsView: {
            zoneId: string;
            minTempC: number;
            maxTempC: number;
            minHumidity: number;
            maxHumidity: number;
            dewMarginC: number;
        };
        SerialDto: {
            template: string;
            /** @enum {string} */
            reset: "day" | "week" | "year" | "never";
        };
        RuleTagsView: {
            moisture: string;
            exceptions: string;
            species: string;
            defects: string;
            cautions: string;
            pauseCauses: string;
            startChecks: string;
            adhesives: string;
            consignees: string;
            movement: string;
            house: string;
            woodBuying: string;
            spray: string;
            kilns: string;
            serial: string;
            workingTime: string;
        };
        SetupView: {
            people: components["schemas"]["PersonView"][];
            stations: components["schemas"]["StationView"][];
            models: components["schemas"]["ModelView"][];
            zones: components["schemas"]["ZoneNameView"][];
            materials: components["schemas"]["MaterialView"][];
            skills: components["schemas"]["SkillView"][];
            prerequisites: components["schemas"]["PrerequisiteView"][];
            moisture: components["schemas"]["MoistureDto"];
            exceptions: components["schemas"]["MoistureExceptionDto"][];
            species: components["schemas"]["SpeciesDto"][];
            defects: components["schemas"]["DefectKindDto"][];
            cautions: components["schemas"]["NotedDto"][];
            pauseCauses: components["schemas"]["NotedDto"][];
            startChecks: components["schemas"]["NotedDto"][];
            adhesives: components["schemas"]["AdhesiveDto"][];
            consignees: components["schemas"]["ConsigneeDto"][];
            kilns: components["schemas"]["KilnScheduleDto"][];
            movementLimits: components["schemas"]["MovementLimitDto"][];
            house: components["schemas"]["HouseDto"];
            woodBuying: components["schemas"]["WoodBuyingDto"];
            workingTime: components["schemas"]["WorkingTimeDto"];
            spray: components["schemas"]["SprayLimitsView"];
            serial: components["schemas"]["SerialDto"];
            serialExample: string;
            tags: components["schemas"]["RuleTagsView"];
        };
        ZoneView: {
            id: string;
            name: string;
            tempC: number;
            relativeHumidity: number;
            emcPct: number;
            atMs: number;
        };
        ChangeStationDto: {
            version: number;
            name: string;
            places: number;
        };
        ChangeMoistureDto: {
            /** @enum {string} */
            gateSchool: "calendar" | "meter" | "both";
            /** @enum {string} */
            bandSchool: "shop" | "fixed";
            halfWidthPct: number;
            fixedLowPct: number;
            fixedHighPct: number;
            readingsNeeded: number;
            readingsPerM3: number;
            spreadLimitPct: number;
            gradientLimitPct: number;
            stableLimitPctPerDay: number;
            stableWindowDays: number;
            daysPer25Mm: number;
            seen?: string;
        };
        ChangeExceptionsDto: {
            seen?: string;
            exceptions: components["schemas"]["MoistureExceptionDto"][];
        };
        ChangeMovementDto: {
            seen?: string;
            limits: components["schemas"]["MovementLimitDto"][];
        };
        ChangeHouseDto: {
            name: string;
            woodRoomZoneId: string;
            boothZoneId: string;
            currency: string;
            seen?: string;
        };
        ChangeWoodBuyingDto: {
            deliveryDays: number;
            seen?: string;
        };
        ChangeSprayDto: {
            seen?: string;
            minTempC: number;
            maxTempC: number;
            minHumidity: number;
            maxHumidity: number;
            dewMarginC: number;
        };
        ChangeWorkingTimeDto: {
            timeZone: string;
            shifts: components["schemas"]["ShiftDto"][];
            holidays: components["schemas"]["HolidayDto"][];
            shortDays: components["schemas"]["ShortDayDto"][];
            seen?: string;
        };
        ChangeKilnsDto: {
            seen?: string;
            schedules: components["schemas"]["KilnScheduleDto"][];
        };
        ChangeSerialDto: {
            template: string;
            /** @enum {string} */
            reset: "day" | "week" | "year" | "never";
            seen?: string;
        };
        ZoneDto: {
            id: string;
            name: string;
        };
        StationDto: {
            code: string;
            name: string;
            /** @enum {string} */
            stage: "woodRoom" | "roughMill" | "machining" | "necks" | "bodies" | "fitting" | "finishing" | "assembly" | "finalRest" | "dispatch";
            zoneId: string;
            /** @enum {string} */
            kind: "work" | "dwell";
            places: number;
        };
        RigDto: {
            stationCode: string;
            /** @enum {string} */
            cycle: "a timer for each place" | "all places together";
            handsMinutes: number;
        };
        CarrierDto: {
            id: string;
            name: string;
            /** @enum {string} */
            kind: "rack" | "table" | "press" | "carousel" | "mould" | "form" | "rig" | "freezer shelf" | "cart" | "clamp rack" | "clip rack" | "hose table" | "vacuum table" | "brace press" | "bending press";
            places: number;
            zoneId: string;
            outline: string | null;
            rig?: components["schemas"]["RigDto"] | null;
        };
        ChangeCarrierDto: {
            version: number;
            name: string;
            places: number;
            active: boolean;
            handsMinutes?: number;
        };
        PrerequisiteDto: {
            /** @enum {string} */
            kind: "fixture" | "sample" | "kit";
            what: string;
            modelId: string | null;
            revision: string;
        };
        ChangePrerequisiteDto: {
            version: number;
            revision: string;
            /** @enum {string} */
            state: "draft" | "released" | "withdrawn";
            note: string;
        };
        NewAccountDto: {
            login: string;
            /** @enum {string} */
            role: "viewer" | "operator" | "lead" | "manager" | "admin";
            password: string;
        };
        PersonDto: {
            name: string;
            skills: components["schemas"]["HeldSkillDto"][];
            account: components["schemas"]["NewAccountDto"] | null;
        };
        ChangePersonDto: {
            version: number;
            name: string;
            skills: components["schemas"]["HeldSkillDto"][];
            away: components["schemas"]["AbsenceDto"][];
            week: components["schemas"]["OwnWeekDto"] | null;
            /** @enum {string} */
            role?: "viewer" | "operator" | "lead" | "manager" | "admin";
            active: boolean;
        };
        GiveAccountDto: {
            login: string;
            /** @enum {string} */
            role: "viewer" | "operator" | "lead" | "manager" | "admin";
            password: string;
            version: number;
        };
        ResetCodeView: {
            id: string;
            code: string;
        };
        BadgeDto: {
            badge: string | null;
        };
        ChangeSpeciesDto: {
            seen?: string;
            species: components["schemas"]["SpeciesDto"][];
        };
        ChangeDefectsDto: {
            seen?: string;
            defects: components["schemas"]["DefectKindDto"][];
        };
        ChangeCautionsDto: {
            seen?: string;
            cautions: components["schemas"]["NotedDto"][];
        };
        ChangePauseCausesDto: {
            seen?: string;
            pauseCauses: components["schemas"]["NotedDto"][];
        };
        ChangeStartChecksDto: {
            seen?: string;
            startChecks: components["schemas"]["NotedDto"][];
        };
        ChangeAdhesivesDto: {
            seen?: string;
            adhesives: components["schemas"]["AdhesiveDto"][];
        };
        ChangeConsigneesDto: {
            seen?: string;
            consignees: components["schemas"]["ConsigneeDto"][];
        };
        MaterialDto: {
            name: string;
            kind: string;
            volumeSolids: number;
            buildLowUm: number;
            buildHighUm: number;
            cureDays: number;
            cure: components["schemas"]["CureLawDto"];
        };
        ChangeMaterialDto: {
            name: string;
            kind: string;
            volumeSolids: number;
            buildLowUm: number;
            buildHighUm: number;
            cureDays: number;
            cure: components["schemas"]["CureLawDto"];
            seen: string;
        };
        WoodDto: {
            /** @enum {string} */
            component: "body" | "neck" | "fingerboard" | "top" | "back" | "sides" | "small part" | "instrument";
            species: string;
            /** @enum {string} */
            use: "body" | "neck" | "top" | "back" | "sides" | "fingerboard";
            volumeM3: number;
            thicknessMm: number;
            blank?: components["schemas"]["BlankSizeDto"];
            weight?: components["schemas"]["WeightTargetDto"];
        };
        ModelDto: {
            name: string;
            construction: string;
            batchSize: number;
            scaleLengthMm: number;
            clearanceLowMm: number;
            clearanceTargetMm: number;
            clearanceHighMm: number;
            wood: components["schemas"]["WoodDto"][];
            id: string;
            code: string;
        };
        ChangeModelDto: {
            name: string;
            construction: string;
            batchSize: number;
            scaleLengthMm: number;
            clearanceLowMm: number;
            clearanceTargetMm: number;
            clearanceHighMm: number;
            wood: components["schemas"]["WoodDto"][];
            active: boolean;
            seen: string;
        };
        PassTimeDto: {
            hours: number;
        };
    };
    responses: never;
    parameters: never;
    requestBodies: never;
    headers: never;
    pathItems: never;
}
export type $defs = Record<string, never>;
export interface operations {
    Health_ready: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["HealthView"];
                };
            };
        };
    };
    Health_alive: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["AliveView"];
                };
            };
        };
    };
    Metrics_read: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "text/plain": string;
                };
            };
        };
    };
    Session_welcome: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["WelcomeView"];
                };
            };
        };
    };
    Session_session: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SessionView"];
                };
            };
        };
    };
    Session_signIn: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["SignInDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Session_signOut: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Session_preferences: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["PreferencesDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Session_first: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["FirstAdministratorDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Session_reset: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ResetPasswordDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Session_changePassword: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ChangePasswordDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Session_station: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["StationSignInDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Session_list: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["OpenSessionView"][];
                };
            };
        };
    };
    Session_endOthers: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Session_end: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Bench_view: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BenchView"];
                };
            };
        };
    };
    Bench_letOn: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["LetOnDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["HolderView"];
                };
            };
        };
    };
    Bench_letOff: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                personId: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Bench_setPin: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["PinDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Events_stream: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description text/event-stream of {id, topics} */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": string;
                };
            };
        };
    };
    Morning_morning: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["MorningView"];
                };
            };
        };
    };
    Morning_walk: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["WalkView"][];
                };
            };
        };
    };
    Morning_floor: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["FloorView"];
                };
            };
        };
    };
    Morning_find: {
        parameters: {
            query: {
                text: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["FoundView"][];
                };
            };
        };
    };
    Calendar_renew: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["FeedView"];
                };
            };
        };
    };
    Calendar_feed: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                token: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "text/calendar": string;
                };
            };
        };
    };
    Flow_view: {
        parameters: {
            query?: {
                days?: number;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["FlowView"];
                };
            };
        };
    };
    Flow_months: {
        parameters: {
            query?: {
                most?: number;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["MonthsView"];
                };
            };
        };
    };
    Flow_classes: {
        parameters: {
            query?: {
                days?: number;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ClassesView"];
                };
            };
        };
    };
    Flow_price: {
        parameters: {
            query: {
                modelId: string;
                perWeek: number;
                routeId?: string;
                batchSize?: number;
                waits?: "as asked" | "overnight";
                machining?: "as routed" | "without programs";
                thenRouteId?: string;
                thenBatchSize?: number;
                thenWaits?: "as asked" | "overnight";
                thenMachining?: "as routed" | "without programs";
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PriceView"];
                };
            };
        };
    };
    Records_list: {
        parameters: {
            query?: {
                size?: number;
                sort?: string;
                after?: string;
                text?: string;
                state?: "in work" | "shipped" | "scrapped";
                modelId?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["InstrumentPage"];
                };
            };
        };
    };
    Records_csv: {
        parameters: {
            query?: {
                size?: number;
                sort?: string;
                after?: string;
                text?: string;
                state?: "in work" | "shipped" | "scrapped";
                modelId?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "text/csv": string;
                };
            };
        };
    };
    Records_record: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                serial: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["RecordView"];
                };
            };
        };
    };
    Dispatch_ship: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                serial: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ShipDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Kits_kits: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["KitStockView"][];
                };
            };
        };
    };
    Kits_count: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["CountKitsDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Fitting_bench: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["FittingView"];
                };
            };
        };
    };
    Fitting_fit: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["FitDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Programs_list: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ProgramsView"];
                };
            };
        };
    };
    Programs_askFor: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["AskForProgramDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Programs_one: {
        parameters: {
            query: {
                id: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ProgramView"];
                };
            };
        };
    };
    Programs_assign: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["AssignProgramDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Programs_draw: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["DrawRevisionDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Programs_move: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["MoveRevisionDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Programs_prove: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ProveRevisionDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Programs_plan: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["PlanRevisionDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Cutters_list: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["CutterView"][];
                };
            };
        };
    };
    Cutters_keep: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["KeepCutterDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Cutters_machines: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["MachineView"][];
                };
            };
        };
    };
    Cutters_log: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["LogCutterDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Loads_view: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["LoadsView"];
                };
            };
        };
    };
    Loads_order: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["OrderLoadsDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Rigs_list: {
        parameters: {
            query?: {
                stage?: "woodRoom" | "roughMill" | "machining" | "necks" | "bodies" | "fitting" | "finishing" | "assembly" | "finalRest" | "dispatch";
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["RigsView"];
                };
            };
        };
    };
    Rigs_putIn: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["PutInRigDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BatchDoneView"];
                };
            };
        };
    };
    Rigs_wipe: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["WipeFacesDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BatchDoneView"];
                };
            };
        };
    };
    Rigs_close: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["CloseRigDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BatchDoneView"];
                };
            };
        };
    };
    Rigs_takeOut: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["TakeOutDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BatchDoneView"];
                };
            };
        };
    };
    Orders_open: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["OrderView"][];
                };
            };
        };
    };
    Orders_place: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["PlaceOrderDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Orders_outlook: {
        parameters: {
            query: {
                modelId: string;
                quantity: number;
                choices?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["OrderOutlookView"];
                };
            };
        };
    };
    Orders_past: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["OrderPastView"];
                };
            };
        };
    };
    Finishing_coat: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["CoatDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BatchDoneView"];
                };
            };
        };
    };
    Finishing_scuff: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ScuffDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BatchDoneView"];
                };
            };
        };
    };
    Quality_measures: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["MeasuresDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BatchDoneView"];
                };
            };
        };
    };
    Dimensions_list: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DimensionView"][];
                };
            };
        };
    };
    Dimensions_chart: {
        parameters: {
            query: {
                id: string;
                kind?: "individuals" | "range" | "deviation";
                size?: number;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DimensionChartView"];
                };
            };
        };
    };
    Dimensions_settle: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["SettleSignalDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Instruments_studies: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["InstrumentStudyView"][];
                };
            };
        };
    };
    Instruments_keep: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["StudyInstrumentDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Routes_list: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["RouteVersionView"][];
                };
            };
        };
    };
    Routes_draft: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["DraftDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Routes_get: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["RouteView"];
                };
            };
        };
    };
    Routes_save: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["SaveDraftDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SavedDraftView"];
                };
            };
        };
    };
    Routes_work: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["MoveOverView"][];
                };
            };
        };
    };
    Routes_release: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ReleaseRouteDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Routes_discard: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["DiscardRouteDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    SheetPictures_add: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "multipart/form-data": {
                    /** Format: binary */
                    file: string;
                    /** @description JSON of what is to be known about the file */
                    about: string;
                };
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    SheetPictures_get: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "image/png": string;
                    "image/jpeg": string;
                    "image/webp": string;
                };
            };
        };
    };
    Stations_work: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                code: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["StationWorkView"];
                };
            };
        };
    };
    Carriers_list: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["CarrierView"][];
                };
            };
        };
    };
    Equipment_addCarrier: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["CarrierDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Carriers_one: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["OneCarrierView"];
                };
            };
        };
    };
    Equipment_changeCarrier: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ChangeCarrierDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Devices_list: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DevicesView"];
                };
            };
        };
    };
    Devices_add: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["DeviceDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DevicePasswordView"];
                };
            };
        };
    };
    Devices_change: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ChangeDeviceDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Devices_renew: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["VersionDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DevicePasswordView"];
                };
            };
        };
    };
    Devices_waiting: {
        parameters: {
            query: {
                place: string;
                after?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DeviceValuesView"];
                };
            };
        };
    };
    Devices_take: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                seq: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["TakeValueDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Batches_list: {
        parameters: {
            query?: {
                size?: number;
                sort?: string;
                after?: string;
                stage?: "woodRoom" | "roughMill" | "machining" | "necks" | "bodies" | "fitting" | "finishing" | "assembly" | "finalRest" | "dispatch";
                modelId?: string;
                done?: boolean;
                text?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BatchPage"];
                };
            };
        };
    };
    Batches_start: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["StartBatchDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Batches_csv: {
        parameters: {
            query?: {
                size?: number;
                sort?: string;
                after?: string;
                stage?: "woodRoom" | "roughMill" | "machining" | "necks" | "bodies" | "fitting" | "finishing" | "assembly" | "finalRest" | "dispatch";
                modelId?: string;
                done?: boolean;
                text?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "text/csv": string;
                };
            };
        };
    };
    Batches_card: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["CardView"];
                };
            };
        };
    };
    Batches_held: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        [key: string]: unknown;
                    };
                };
            };
        };
    };
    Batches_pdf: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/pdf": string;
                };
            };
        };
    };
    Moves_startWork: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["StartWorkDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BatchDoneView"];
                };
            };
        };
    };
    Moves_pause: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["PauseDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BatchDoneView"];
                };
            };
        };
    };
    Moves_resume: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ResumeDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BatchDoneView"];
                };
            };
        };
    };
    Moves_finish: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["FinishDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BatchDoneView"];
                };
            };
        };
    };
    Moves_finishSome: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["FinishSomeDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BatchDoneView"];
                };
            };
        };
    };
    Moves_move: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["MoveDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BatchDoneView"];
                };
            };
        };
    };
    Moves_place: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["PlaceDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BatchDoneView"];
                };
            };
        };
    };
    Moves_accept: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["WhenDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BatchDoneView"];
                };
            };
        };
    };
    Moves_signOff: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["SignOffDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BatchDoneView"];
                };
            };
        };
    };
    Moves_refuse: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["RefuseDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BatchDoneView"];
                };
            };
        };
    };
    Moves_scrap: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ScrapDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BatchDoneView"];
                };
            };
        };
    };
    Moves_split: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["PiecesDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BatchDoneView"];
                };
            };
        };
    };
    Moves_merge: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["MergeDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BatchDoneView"];
                };
            };
        };
    };
    Moves_join: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["JoinDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BatchDoneView"];
                };
            };
        };
    };
    Moves_part: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["WorkDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BatchDoneView"];
                };
            };
        };
    };
    Moves_refit: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["RefitDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BatchDoneView"];
                };
            };
        };
    };
    Moves_send: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["SendDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BatchDoneView"];
                };
            };
        };
    };
    Moves_receive: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["FinishDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BatchDoneView"];
                };
            };
        };
    };
    Moves_hold: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["HoldDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BatchDoneView"];
                };
            };
        };
    };
    Moves_release: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["WhenDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BatchDoneView"];
                };
            };
        };
    };
    Moves_undo: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["UndoDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BatchDoneView"];
                };
            };
        };
    };
    Moves_call: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["CallDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BatchDoneView"];
                };
            };
        };
    };
    Moves_verdict: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["VerdictDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BatchDoneView"];
                };
            };
        };
    };
    Moves_reroute: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["RerouteDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BatchDoneView"];
                };
            };
        };
    };
    Lots_list: {
        parameters: {
            query?: {
                /** @description drying,released */
                states?: ("drying" | "released")[];
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["LotView"][];
                };
            };
        };
    };
    Lots_receive: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ReceiveLotDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Lots_usedUp: {
        parameters: {
            query?: {
                size?: number;
                sort?: string;
                after?: string;
                text?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["LotPage"];
                };
            };
        };
    };
    Lots_allHistories: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "text/csv": string;
                };
            };
        };
    };
    Lots_history: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "text/csv": string;
                };
            };
        };
    };
    Lots_card: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["LotCardView"];
                };
            };
        };
    };
    Lots_read: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ReadingsDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Lots_outlook: {
        parameters: {
            query: {
                tempC: number;
                /** @description fraction 0…1 */
                relativeHumidity: number;
            };
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["OutlookView"];
                };
            };
        };
    };
    Lots_label: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/pdf": string;
                };
            };
        };
    };
    Lots_report: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/pdf": string;
                };
            };
        };
    };
    Lots_describe: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["DescribeLotDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Lots_move: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["MoveLotDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Lots_keep: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["KeepWoodDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Lots_correct: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["CorrectReadingDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Lots_strike: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["StrikeDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Lots_release: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ReleaseLotDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Lots_preview: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "multipart/form-data": {
                    /** Format: binary */
                    file: string;
                    /** @description JSON of what is to be known about the file */
                    about: string;
                };
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ImportView"];
                };
            };
        };
    };
    Lots_importReadings: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "multipart/form-data": {
                    /** Format: binary */
                    file: string;
                    /** @description JSON of what is to be known about the file */
                    about: string;
                };
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ImportView"];
                };
            };
        };
    };
    Air_view: {
        parameters: {
            query?: {
                days?: number;
            };
            header?: never;
            path: {
                zoneId: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["AirView"];
                };
            };
        };
    };
    Air_preview: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "multipart/form-data": {
                    /** Format: binary */
                    file: string;
                    /** @description JSON of what is to be known about the file */
                    about: string;
                };
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["LoggerView"];
                };
            };
        };
    };
    Air_take: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "multipart/form-data": {
                    /** Format: binary */
                    file: string;
                    /** @description JSON of what is to be known about the file */
                    about: string;
                };
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["LoggerView"];
                };
            };
        };
    };
    Cutting_view: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["CuttingView"];
                };
            };
        };
    };
    Cutting_plans: {
        parameters: {
            query?: {
                size?: number;
                sort?: string;
                after?: string;
                text?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PlanLinePage"];
                };
            };
        };
    };
    Cutting_draft: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["PlanDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Cutting_plan: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PlanView"];
                };
            };
        };
    };
    Cutting_save: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["SavePlanDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Cutting_list: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/pdf": string;
                };
            };
        };
    };
    Cutting_cut: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["VersionDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Cutting_measure: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["BoardsDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Cutting_blanks: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BlankView"][];
                };
            };
        };
    };
    Cutting_weigh: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["WeighDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Cutting_join: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["JoinBlanksDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Cutting_reserve: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ReserveDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Cutting_stockView: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["StockView"];
                };
            };
        };
    };
    Cutting_orderWood: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["OrderWoodView"];
                };
            };
        };
    };
    Cutting_allotment: {
        parameters: {
            query: {
                modelId: string;
                component: "body" | "neck" | "fingerboard" | "top" | "back" | "sides" | "small part" | "instrument";
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["AllotmentView"];
                };
            };
        };
    };
    Pictures_add: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "multipart/form-data": {
                    /** Format: binary */
                    file: string;
                    /** @description JSON of what is to be known about the file */
                    about: string;
                };
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Pictures_get: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "image/png": string;
                    "image/jpeg": string;
                    "image/webp": string;
                };
            };
        };
    };
    Factory_factory: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        [key: string]: unknown;
                    };
                };
            };
        };
    };
    Setup_view: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SetupView"];
                };
            };
        };
    };
    Setup_zones: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ZoneView"][];
                };
            };
        };
    };
    Equipment_addZone: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ZoneDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Setup_changeStation: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                code: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ChangeStationDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Setup_changeMoisture: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ChangeMoistureDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Setup_changeExceptions: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ChangeExceptionsDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Setup_changeMovement: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ChangeMovementDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Setup_changeHouse: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ChangeHouseDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Setup_changeWoodBuying: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ChangeWoodBuyingDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Setup_changeSpray: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ChangeSprayDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Setup_changeWorkingTime: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ChangeWorkingTimeDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Setup_changeKilns: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ChangeKilnsDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Setup_changeSerial: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ChangeSerialDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Equipment_addStation: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["StationDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Equipment_addPrerequisite: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["PrerequisiteDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Equipment_changePrerequisite: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ChangePrerequisiteDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    People_add: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["PersonDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    People_change: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ChangePersonDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    People_giveAccount: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["GiveAccountDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    People_resetPassword: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ResetCodeView"];
                };
            };
        };
    };
    People_setBadge: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["BadgeDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Registers_changeSpecies: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ChangeSpeciesDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Registers_changeDefects: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ChangeDefectsDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Registers_changeCautions: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ChangeCautionsDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Registers_changePauseCauses: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ChangePauseCausesDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Registers_changeStartChecks: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ChangeStartChecksDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Registers_changeAdhesives: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ChangeAdhesivesDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Registers_changeConsignees: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ChangeConsigneesDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Materials_add: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["MaterialDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Materials_change: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ChangeMaterialDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Models_add: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ModelDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Models_change: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ChangeModelDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Demo_pass: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["PassTimeDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
}
