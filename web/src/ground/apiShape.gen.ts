// Made from server/openapi.json by "npm run openapi": another one for every change of what the server answers.
export const API_SHAPE = 'd112c493d95c55cd';
