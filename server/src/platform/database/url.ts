/** Where the data lives. @throws Error when the environment does not say */
export function databaseUrl(): string {
  const url = process.env['DATABASE_URL'];
  if (url === undefined || url === '') throw new Error('DATABASE_URL is not set; `npm start` sets it for you');
  return url;
}
