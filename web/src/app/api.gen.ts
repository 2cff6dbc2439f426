// Made from server/openapi.json by "npm run openapi".
export interface paths {
    "/api/health": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Health_health"];
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
        post: operations["Batches_startWork"];
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
        post: operations["Batches_pause"];
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
        post: operations["Batches_resume"];
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
        post: operations["Batches_finish"];
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
        post: operations["Batches_move"];
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
        post: operations["Batches_hold"];
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
        post: operations["Batches_release"];
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
        post: operations["Batches_coat"];
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
        post: operations["Batches_measures"];
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
    "/api/instruments": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Fitting_list"];
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
        get: operations["Fitting_record"];
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
        post: operations["Fitting_ship"];
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
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/zones/{id}/days": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["Setup_days"];
        put?: never;
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
        post: operations["Setup_addPerson"];
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
        put: operations["Setup_changePerson"];
        post?: never;
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
        SessionView: {
            personId: string;
            name: string;
            /** @enum {string} */
            role: "viewer" | "operator" | "lead" | "manager" | "admin";
            skills: string[];
            units: components["schemas"]["UnitsDto"];
            /** @enum {string} */
            theme: "paper" | "booth";
            factory: string;
            timeZone: string;
            shiftStartsAt: string;
            shiftEndsAt: string;
            demo: boolean;
            nowMs: number;
        };
        PreferencesDto: {
            units?: components["schemas"]["UnitsDto"];
            /** @enum {string} */
            theme?: "paper" | "booth";
        };
        FindingView: {
            /** @enum {string} */
            rule: "elapsed" | "equivalent" | "inBand" | "spread" | "gradient" | "stable" | "window" | "climate" | "signOff" | "parts" | "papers" | "state" | "input";
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
            act: "move" | "release" | "hold" | "look";
            /** @enum {string|null} */
            subject: "batch" | "lot" | "zone" | null;
            id: string | null;
            version: number;
            sentence: string;
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
        OrderView: {
            id: string;
            number: number;
            modelId: string;
            modelName: string;
            quantity: number;
            shipped: number;
            customer: string;
            placedMs: number;
            dueMs: number;
            batchIds: string[];
            earliestMs: number | null;
            lateDays: number | null;
            status: string;
        };
        GapView: {
            name: string;
            untilMs: number;
            sentence: string;
            alone: boolean;
        };
        LogView: {
            id: number;
            atMs: number;
            by: string;
            kind: string;
            sentence: string;
        };
        ConstraintView: {
            stationCode: string;
            stationName: string;
            loadRatio: number;
            queuedHours: number;
            weeklyHours: number;
            byActivePeriod: string | null;
            meanActiveHours: number | null;
            agree: boolean;
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
            gaps: components["schemas"]["GapView"][];
            changed: components["schemas"]["LogView"][];
            shippedSinceYesterday: number;
            finishedSinceYesterday: number;
            constraint: components["schemas"]["ConstraintView"] | null;
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
        BatchView: {
            id: string;
            number: number;
            /** @enum {string} */
            component: "body" | "neck" | "instrument";
            modelId: string;
            modelName: string;
            orderId: string | null;
            lotId: string | null;
            operationId: string;
            operationName: string;
            /** @enum {string} */
            operationKind: "work" | "dwell" | "fit" | "dispatch";
            /** @enum {string} */
            stage: "woodRoom" | "roughMill" | "machining" | "necks" | "bodies" | "fitting" | "finishing" | "assembly" | "finalRest" | "dispatch";
            stationCode: string;
            stationName: string;
            /** @enum {string} */
            status: "queued" | "running" | "paused" | "finished" | "dwelling" | "held" | "done";
            sinceMs: number;
            arrivedMs: number;
            startedMs: number;
            dueMs: number | null;
            quantity: number;
            carrier: string | null;
            holdReason: string | null;
            pass: number;
            version: number;
            nextOperationName: string | null;
            skill: string | null;
            /** @enum {string} */
            verdict: "pass" | "wait" | "stop";
            untilMs: number | null;
            done: number | null;
            touchMinutes: number;
            findings: components["schemas"]["FindingView"][];
        };
        FloorView: {
            nowMs: number;
            stations: components["schemas"]["StationFlowView"][];
            batches: components["schemas"]["BatchView"][];
            constraint: components["schemas"]["ConstraintView"] | null;
        };
        FoundView: {
            /** @enum {string} */
            kind: "batch" | "lot" | "instrument" | "order";
            id: string;
            sentence: string;
        };
        FeedView: {
            url: string;
        };
        BandView: {
            low: number;
            high: number;
        };
        LotView: {
            id: string;
            number: number;
            species: string;
            form: string;
            /** @enum {string} */
            use: "body" | "neck" | "top" | "fingerboard" | "sides";
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
            /** @enum {string} */
            verdict: "pass" | "wait" | "stop";
            findings: components["schemas"]["FindingView"][];
            latest: number[];
            daysToBand: number | null;
            never: string | null;
        };
        ReadingView: {
            seq: number;
            /** @enum {string} */
            depth: "shell" | "core";
            rawPct: number;
            correctedPct: number;
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
        LotUseView: {
            batchId: string;
            modelName: string;
            component: string;
            startedMs: number;
        };
        OverrideView: {
            atMs: number;
            by: string;
            reason: string;
            operationName: string | null;
            findings: components["schemas"]["FindingView"][];
        };
        LotCardView: {
            lot: components["schemas"]["LotView"];
            zoneName: string;
            roomEmcPct: number;
            ratePerDay: number;
            sessions: components["schemas"]["ReadingSessionView"][];
            batches: components["schemas"]["LotUseView"][];
            serials: string[];
            overrides: components["schemas"]["OverrideView"][];
            log: components["schemas"]["LogView"][];
        };
        ReceiveLotDto: {
            species: string;
            form: string;
            /** @enum {string} */
            use: "body" | "neck" | "top" | "fingerboard" | "sides";
            thicknessMm: number;
            volumeM3: number;
            supplier: string;
            origin: string;
            permit: string | null;
            restricted: boolean;
            zoneId: string;
        };
        ReadingsDto: {
            version: number;
            text: string;
            woodTempC: number;
            /** @enum {string} */
            meter: "pin" | "pinless";
            atMs?: number;
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
        CsvDto: {
            csv: string;
        };
        ImportRowView: {
            line: number;
            lotId: string;
            text: string;
            atMs: number | null;
            problem: string | null;
        };
        ImportView: {
            rows: components["schemas"]["ImportRowView"][];
            good: number;
            bad: number;
            saved: boolean;
        };
        PieceView: {
            id: string;
            ordinal: number;
            /** @enum {string} */
            state: "good" | "rework" | "scrapped" | "fitted" | "shipped";
            serial: string | null;
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
        ForecastView: {
            operationId: string;
            operationName: string;
            /** @enum {string} */
            stage: "woodRoom" | "roughMill" | "machining" | "necks" | "bodies" | "fitting" | "finishing" | "assembly" | "finalRest" | "dispatch";
            /** @enum {string} */
            kind: "work" | "dwell" | "fit" | "dispatch";
            arriveMs: number;
            leaveMs: number;
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
        CoatPlanView: {
            materialId: string;
            materialName: string;
            coats: number;
            wetUm: number;
            flashMinutes: number;
        };
        BuildView: {
            materialName: string;
            dryUm: number;
            lowUm: number;
            highUm: number;
            /** @enum {string} */
            verdict: "thin" | "in window" | "thick";
        };
        CharacteristicView: {
            id: string;
            name: string;
            unit: string;
            low: number;
            target: number;
            high: number;
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
            disposition: "rework" | "scrap";
            note: string;
            atMs: number;
            by: string;
        };
        StepChoiceView: {
            id: string;
            name: string;
        };
        CardView: {
            batch: components["schemas"]["BatchView"];
            customer: string;
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
            unmeasured: string[];
            measures: components["schemas"]["MeasureView"][];
            defects: components["schemas"]["DefectView"][];
            overrides: components["schemas"]["OverrideView"][];
            log: components["schemas"]["LogView"][];
            cautions: string[];
            originChoices: components["schemas"]["StepChoiceView"][];
            workers: components["schemas"]["StepChoiceView"][];
            fittedInto: string[];
            /** @enum {string|null} */
            mainCaution: "cutting" | "dust" | "spraying" | "rags" | "buffing" | "hot" | "solvents" | "thermal" | null;
        };
        StartBatchDto: {
            modelId: string;
            /** @enum {string} */
            component: "body" | "neck";
            quantity: number;
            lotId: string;
            orderId: string | null;
            carrier: string | null;
        };
        WorkDto: {
            version: number;
            personId: string;
        };
        PauseDto: {
            version: number;
            /** @enum {string} */
            cause: "material" | "person" | "machine" | "instruction" | "break" | "shift end";
        };
        OutcomeDto: {
            pieceId: string;
            /** @enum {string} */
            outcome: "rework" | "scrap";
            /** @enum {string} */
            defect: "tear-out" | "off dimension" | "crack" | "knot or pitch" | "glue line open" | "binding gap" | "fret high" | "back bow" | "twist" | "sand-through" | "run" | "dust in film" | "orange peel" | "blush" | "sinkback" | "colour off sample" | "dent" | "rattle" | "electrics fault";
            originOperationId: string;
            note: string;
        };
        FinishDto: {
            version: number;
            good: number;
            rework: number;
            scrap: number;
            outcomes: components["schemas"]["OutcomeDto"][];
        };
        MoveDto: {
            version: number;
            overrideReason?: string;
        };
        HoldDto: {
            version: number;
            reason: string;
        };
        VersionDto: {
            version: number;
        };
        CoatDto: {
            version: number;
            wetUm: number;
            atMs?: number;
            overrideReason?: string;
        };
        MeasureDto: {
            pieceId: string;
            characteristicId: string;
            value: number;
        };
        MeasuresDto: {
            version: number;
            measures: components["schemas"]["MeasureDto"][];
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
        PartView: {
            pieceId: string;
            component: string;
            batchId: string;
            lotId: string | null;
            species: string;
            supplier: string;
            origin: string;
            permit: string | null;
            releasedMs: number | null;
            meanPctAtRelease: number | null;
            sessions: components["schemas"]["ReadingSessionView"][];
            visits: components["schemas"]["VisitView"][];
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
        PlaceOrderDto: {
            modelId: string;
            quantity: number;
            customer: string;
            dueMs: number;
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
            constraint: components["schemas"]["ConstraintView"] | null;
            spans: components["schemas"]["SpanView"][];
        };
        PersonView: {
            id: string;
            login: string;
            name: string;
            /** @enum {string} */
            role: "viewer" | "operator" | "lead" | "manager" | "admin";
            skills: string[];
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
        WoodView: {
            species: string;
            use: string;
            volumeM3: number;
            thicknessMm: number;
        };
        RouteStepView: {
            id: string;
            name: string;
            /** @enum {string} */
            component: "body" | "neck" | "instrument";
            /** @enum {string} */
            kind: "work" | "dwell" | "fit" | "dispatch";
            stationName: string;
            skill: string | null;
            setupMinutes: number;
            minutesPerPiece: number;
            rules: string[];
            characteristics: components["schemas"]["CharacteristicView"][];
        };
        ModelView: {
            id: string;
            code: string;
            name: string;
            construction: string;
            batchSize: number;
            scaleLengthMm: number;
            bodyWood: components["schemas"]["WoodView"];
            neckWood: components["schemas"]["WoodView"] | null;
            routeVersion: number;
            steps: components["schemas"]["RouteStepView"][];
            components: string[];
        };
        ZoneView: {
            id: string;
            name: string;
            tempC: number;
            relativeHumidity: number;
            emcPct: number;
            atMs: number;
        };
        MaterialView: {
            id: string;
            name: string;
            kind: string;
            volumeSolids: number;
            buildLowUm: number;
            buildHighUm: number;
            cureDays: number;
            minimumTempC: number;
        };
        SkillView: {
            skill: string;
            holders: string[];
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
            spreadLimitPct: number;
            gradientLimitPct: number;
            stableLimitPctPerDay: number;
            stableWindowDays: number;
            daysPer25Mm: number;
        };
        SprayLimitsView: {
            zoneId: string;
            minTempC: number;
            maxTempC: number;
            minHumidity: number;
            maxHumidity: number;
            dewMarginC: number;
        };
        ChangeSerialDto: {
            template: string;
            /** @enum {string} */
            reset: "day" | "week" | "year" | "never";
        };
        SetupView: {
            people: components["schemas"]["PersonView"][];
            stations: components["schemas"]["StationView"][];
            models: components["schemas"]["ModelView"][];
            zones: components["schemas"]["ZoneView"][];
            materials: components["schemas"]["MaterialView"][];
            skills: components["schemas"]["SkillView"][];
            moisture: components["schemas"]["ChangeMoistureDto"];
            spray: components["schemas"]["SprayLimitsView"];
            serial: components["schemas"]["ChangeSerialDto"];
            serialExample: string;
        };
        ZoneDayView: {
            atMs: number;
            tempC: number;
            relativeHumidity: number;
            emcPct: number;
        };
        PersonDto: {
            login: string;
            name: string;
            /** @enum {string} */
            role: "viewer" | "operator" | "lead" | "manager" | "admin";
            skills: string[];
            password: string;
        };
        ChangePersonDto: {
            version: number;
            name: string;
            /** @enum {string} */
            role: "viewer" | "operator" | "lead" | "manager" | "admin";
            skills: string[];
            active: boolean;
        };
        ChangeStationDto: {
            version: number;
            name: string;
            places: number;
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
    Health_health: {
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
    Events_stream: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description text/event-stream of {topics} */
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
    Lots_list: {
        parameters: {
            query?: {
                /** @description drying,released,used up */
                states?: string[];
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
                "application/json": components["schemas"]["CsvDto"];
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
                "application/json": components["schemas"]["CsvDto"];
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
    Batches_list: {
        parameters: {
            query?: {
                stage?: "woodRoom" | "roughMill" | "machining" | "necks" | "bodies" | "fitting" | "finishing" | "assembly" | "finalRest" | "dispatch";
                modelId?: string;
                done?: boolean;
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
                    "application/json": components["schemas"]["BatchView"][];
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
    Batches_startWork: {
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
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Batches_pause: {
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
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Batches_resume: {
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
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Batches_finish: {
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
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Batches_move: {
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
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Batches_hold: {
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
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Batches_release: {
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
    Batches_coat: {
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
                    "application/json": components["schemas"]["DoneView"];
                };
            };
        };
    };
    Batches_measures: {
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
    Fitting_list: {
        parameters: {
            query?: {
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
                    "application/json": components["schemas"]["InstrumentView"][];
                };
            };
        };
    };
    Fitting_record: {
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
    Fitting_ship: {
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
    Setup_days: {
        parameters: {
            query?: {
                days?: number;
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
                    "application/json": components["schemas"]["ZoneDayView"][];
                };
            };
        };
    };
    Setup_addPerson: {
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
    Setup_changePerson: {
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
