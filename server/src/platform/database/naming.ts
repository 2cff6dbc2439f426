import { DefaultNamingStrategy } from 'typeorm';

/** camelCase in the program, snake_case in the database. */
export class SnakeNaming extends DefaultNamingStrategy {
  override columnName(propertyName: string, customName: string): string {
    return customName || propertyName.replace(/[A-Z]/g, (ch) => `_${ch.toLowerCase()}`);
  }
}
