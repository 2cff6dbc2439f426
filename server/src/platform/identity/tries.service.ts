import { Injectable } from '@nestjs/common';
import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible';
import { DataSource } from 'typeorm';
import { Problem } from '../problems/problems.ts';

const DAY_S = 86_400;
const FIRST_WAIT_S = 30;
const LONGEST_WAIT_S = 900;

/** Who tries to sign in, from where. */
export interface Try {
  name: string;
  address: string;
  /** that person has signed in from there before */
  isKnown: boolean;
}

/**
 * Counts tries to sign in, before a password is looked at: so those made at once count too. Whoever tries too often
 * waits, twice as long each time. Strangers who guess at somebody's name make only strangers wait; somebody who has
 * signed in from an address is counted there alone. Kept in the database: all processes count together.
 */
@Injectable()
export class TriesService {
  private readonly byName: RateLimiterPostgres;
  private readonly byPlace: RateLimiterPostgres;
  private readonly byAddress: RateLimiterPostgres;
  private readonly strikes: RateLimiterPostgres;

  constructor(database: DataSource) {
    const limiter = (keyPrefix: string, points: number, duration: number) =>
      new RateLimiterPostgres({
        storeClient: database,
        storeType: 'typeorm',
        tableName: 'rate_limit',
        tableCreated: true,
        clearExpiredByTimeout: false,
        keyPrefix,
        points,
        duration,
      });
    this.byName = limiter('name', 8, 60);
    this.byPlace = limiter('place', 8, 60);
    // A whole building may sit behind one address.
    this.byAddress = limiter('address', 60, 60);
    this.strikes = limiter('strikes', 1_000_000, DAY_S);
  }

  /** @throws Problem 429 that says how long to wait */
  async admit(tried: Try): Promise<void> {
    if (tried.isKnown) return this.take(this.byPlace, placeOf(tried));
    await this.take(this.byName, tried.name);
    await this.take(this.byAddress, tried.address);
  }

  /** They were who they said. */
  async forgive(tried: Try): Promise<void> {
    const [limiter, key] = tried.isKnown ? [this.byPlace, placeOf(tried)] : [this.byName, tried.name];
    await limiter.delete(key);
    await this.strikes.delete(`${limiter.keyPrefix}:${key}`);
  }

  /** Takes away what is long over. @returns how many */
  async prune(database: DataSource): Promise<number> {
    const [, count] = await database.query<[unknown, number]>('delete from rate_limit where expire < $1', [Date.now() - 3_600_000]);
    return count;
  }

  private async take(limiter: RateLimiterPostgres, key: string): Promise<void> {
    try {
      await limiter.consume(key);
    } catch (refused) {
      if (!(refused instanceof RateLimiterRes)) throw refused;
      let waitS = Math.ceil(refused.msBeforeNext / 1000);
      // One only of those made at once is the first too many.
      if (refused.consumedPoints === limiter.points + 1) {
        const { consumedPoints: strikes } = await this.strikes.penalty(`${limiter.keyPrefix}:${key}`, 1);
        waitS = Math.min(FIRST_WAIT_S * 2 ** (strikes - 1), LONGEST_WAIT_S);
        await limiter.block(key, waitS);
      }
      const told = waitS < 90 ? `${waitS} seconds` : `${Math.ceil(waitS / 60)} minutes`;
      throw new Problem(429, 'too-many-tries', 'Too many tries', `Too many wrong passwords. Wait ${told}.`, { retryAfterSeconds: waitS });
    }
  }
}

const placeOf = ({ name, address }: Try) => `${name} ${address}`;
