// Made from server/openapi.json by "npm run openapi": another one for every change of what the server answers.
export const API_SHAPE = '015228b3b5b02af6';
