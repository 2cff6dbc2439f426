// Made from server/openapi.json by "npm run openapi": another one for every change of what the server answers.
export const API_SHAPE = 'd90efd349d162aa3';
