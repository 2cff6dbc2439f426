// Made from server/openapi.json by "npm run openapi": another one for every change of what the server answers.
export const API_SHAPE = 'e3279ca8c72b2de5';
