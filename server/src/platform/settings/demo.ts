/** Seeds the stand-in sensors' weather, in the demo's history and in what they go on to report. */
export const DEMO_WEATHER_SEED = 41;
