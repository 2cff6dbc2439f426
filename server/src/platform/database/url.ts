function given(name: string): string | undefined {
  const value = process.env[name];
  return value === undefined || value === '' ? undefined : value;
}

/** Where the data lives, as the server signs in to it. @throws Error when the environment does not say */
export function databaseUrl(): string {
  const url = given('DATABASE_URL');
  if (url === undefined) throw new Error('DATABASE_URL is not set; `npm start` sets it for you');
  return url;
}

/** The same as its owner, who may change its plan; the server itself needs no such address. */
export const ownerUrl = (): string => given('OWNER_DATABASE_URL') ?? databaseUrl();
