import { appendFileSync, existsSync, readFileSync } from 'node:fs';
import type { EntityManager } from 'typeorm';

/** Entries under one seal, at most. */
const BLOCK = 1000;

/** A block of the logbook with the hash of all its entries and of the seal before it. */
export interface Seal {
  number: number;
  firstId: number;
  lastId: number;
  entries: number;
  hash: string;
}

interface SealRow {
  number: number;
  first_id: number;
  last_id: number;
  entries: number;
  hash: string;
}

const toSeal = (row: SealRow): Seal => ({
  number: row.number,
  firstId: row.first_id,
  lastId: row.last_id,
  entries: row.entries,
  hash: row.hash,
});

// Instants as numbers: their text depends on the session's zone. JSON keeps the fields apart.
const LINE = `jsonb_build_array(id, extract(epoch from at), extract(epoch from recorded_at), person_id, kind, lot_id, batch_id, serial, schema_version, payload)::text`;
const BLOCK_OF = `
  select count(*)::int as entries, min(id) as first_id, max(id) as last_id,
    encode(sha256(convert_to($1 || E'\\n' || string_agg(line, E'\\n' order by id), 'UTF8')), 'hex') as hash
  from (select id, ${LINE} as line from logbook where id > $2 and id <= $3 order by id limit $4) block
  having count(*) > 0`;

const hashOf = async (
  manager: EntityManager,
  before: Pick<Seal, 'hash' | 'lastId'>,
  upTo: number,
): Promise<Omit<SealRow, 'number'> | undefined> => {
  const [row] = await manager.query<Omit<SealRow, 'number'>[]>(BLOCK_OF, [before.hash, before.lastId, upTo, BLOCK]);
  return row;
};

const NONE: Seal = { number: 0, firstId: 0, lastId: 0, entries: 0, hash: '' };

export async function lastSeal(manager: EntityManager): Promise<Seal> {
  const [row] = await manager.query<SealRow[]>(
    'select number, first_id, last_id, entries, hash from logbook_seal order by number desc limit 1',
  );
  return row ? toSeal(row) : NONE;
}

/**
 * Seals the next block, in a transaction of the caller's.
 *
 * @param upTo the last entry that nothing can come before any more
 * @returns the new seal; undefined when nothing is to be sealed
 */
export async function sealNext(manager: EntityManager, upTo: number): Promise<Seal | undefined> {
  const before = await lastSeal(manager);
  const block = await hashOf(manager, before, upTo);
  if (!block) return undefined;
  const seal = toSeal({ number: before.number + 1, ...block });
  await manager.query('insert into logbook_seal (number, first_id, last_id, entries, hash) values ($1, $2, $3, $4, $5)', [
    seal.number,
    seal.firstId,
    seal.lastId,
    seal.entries,
    seal.hash,
  ]);
  return seal;
}

export interface SealCheck {
  seals: number;
  /** entries that stand under a seal */
  sealed: number;
  /** the first block that is not as it was sealed, and what is wrong with it */
  broken: { seal: Seal; why: string } | null;
}

/**
 * Compares the logbook with its seals, from the first.
 *
 * @param heads seals as they were written outside of the database
 */
export async function checkSeals(manager: EntityManager, heads: readonly Seal[] = []): Promise<SealCheck> {
  const rows = await manager.query<SealRow[]>('select number, first_id, last_id, entries, hash from logbook_seal order by number');
  const seals = rows.map(toSeal);
  const outside = new Map(heads.map((head) => [head.number, head]));
  let before = NONE;
  let sealed = 0;
  for (const seal of seals) {
    const head = outside.get(seal.number);
    const block = await hashOf(manager, before, seal.lastId);
    const why =
      seal.number !== before.number + 1
        ? `the seal before it is missing`
        : block?.hash !== seal.hash || block.entries !== seal.entries
          ? `it holds ${block?.entries ?? 0} of ${seal.entries} entries${block?.entries === seal.entries ? ', not as they were written' : ''}`
          : head !== undefined && head.hash !== seal.hash
            ? 'it was sealed anew: the seal kept outside the database is another'
            : undefined;
    if (why !== undefined) return { seals: seals.length, sealed, broken: { seal, why } };
    sealed += seal.entries;
    before = seal;
  }
  const lost = heads.find((head) => head.number > before.number);
  return {
    seals: seals.length,
    sealed,
    broken: lost ? { seal: lost, why: 'it is gone from the database, and was written outside of it' } : null,
  };
}

/** Where seals are written outside of the database; undefined where nobody said. */
export const headsFile = (): string | undefined => process.env['SEAL_FILE'] || undefined;

export const writeHead = (file: string, seal: Seal): void => appendFileSync(file, `${JSON.stringify(seal)}\n`, { mode: 0o600 });

/** Seals as they were written outside; a last line that was cut short by a fault is left out. */
export function readHeads(file: string | undefined): Seal[] {
  if (file === undefined || !existsSync(file)) return [];
  return readFileSync(file, 'utf8')
    .split('\n')
    .flatMap((line) => {
      try {
        return line === '' ? [] : [JSON.parse(line) as Seal];
      } catch {
        return [];
      }
    });
}
