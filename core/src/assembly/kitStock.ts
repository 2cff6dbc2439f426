import type { PrerequisiteRecord } from '../factory/index.ts';
import { answerer, question, refuse, rowKind, rowsOf, type Refused, type Rows } from '../ledger/index.ts';
import type { Prerequisite } from '../routing/index.ts';

/** A kit that serves every model. */
export const ANY_MODEL = 'any';

/** Sets of a kit that lie ready, where the factory counts them. */
export interface KitStock {
  /** told by {@link kitIdOf} */
  id: string;
  /** as routes call it */
  what: string;
  /** the model it is for, or {@link ANY_MODEL} */
  serves: string;
  sets: number;
}
export const KitStock = rowKind<KitStock>('kit stock', { key: 'id' });

export const kitIdOf = (serves: string, what: string): string => `${serves}/${what}`;

/** The counted kits that the step of a batch asks for, by their ids. */
export const KitsFor = question<{ batchId: string }, readonly string[]>('kits for');

/** Kits as they are counted; what is not counted is not among them. */
export const SetsOf = question<{ kitIds: readonly string[] }, readonly KitStock[]>('sets of');
export const setsOf = answerer(SetsOf, {
  reads: ({ kitIds }) => [rowsOf(KitStock, kitIds)],
  answer: ({ kitIds }, rows) => kitIds.flatMap((id) => rows.find(KitStock, id) ?? []),
});

type OnRecord = Pick<PrerequisiteRecord, 'kind' | 'what' | 'modelId'>;

/** The kits on record that serve a model, by the ids under which they may be counted: its own before one for every model. */
export function kitIdsOf(onRecord: readonly OnRecord[], modelId: string): string[] {
  const kits = onRecord.filter((p) => p.kind === 'kit' && (p.modelId === null || p.modelId === modelId));
  const own = new Set(kits.flatMap((p) => (p.modelId === null ? [] : [p.what])));
  return kits.flatMap((p) => (p.modelId === null && own.has(p.what) ? [] : [kitIdOf(p.modelId ?? ANY_MODEL, p.what)]));
}

/** Which of the counted kits a step of a model takes from. */
export function kitsServing(
  needs: readonly Prerequisite[] | undefined,
  { modelId, onRecord }: { modelId: string; onRecord: readonly OnRecord[] },
  counted: readonly Pick<KitStock, 'id' | 'what'>[],
): string[] {
  const asked = new Set(needs?.flatMap((need) => (need.kind === 'kit' ? [need.what] : [])));
  const serving = new Set(kitIdsOf(onRecord, modelId));
  return counted.flatMap((kit) => (asked.has(kit.what) && serving.has(kit.id) ? [kit.id] : []));
}

/** Sets of a kit that work takes. */
export interface KitTaken {
  kitId: string;
  what: string;
  sets: number;
}

/** What is short of kits where a step takes a set a piece. */
export interface KitShortage {
  sentence: string;
  /** for so many pieces there is enough of each */
  enoughFor: number;
}

/** What so many pieces lack of kits; null when there is enough of each. */
export function shortageFor(pieces: number, kits: readonly KitStock[]): KitShortage | null {
  const short = kits.filter((kit) => kit.sets < pieces);
  if (short.length === 0) return null;
  return {
    sentence: short.map(({ sets, what }) => `${what}: ${sets === 0 ? 'no set is' : `${sets} of ${pieces} sets are`} here`).join('; '),
    enoughFor: Math.min(...short.map((kit) => kit.sets)),
  };
}

/** The sets that work on so many pieces takes; or what is short, and for how many there is enough. */
export function takenFor(pieces: number, kits: readonly KitStock[]): Refused | readonly KitTaken[] {
  const shortage = shortageFor(pieces, kits);
  if (!shortage) return kits.map(({ id, what }) => ({ kitId: id, what, sets: pieces }));
  const { sentence, enoughFor } = shortage;
  const remedy =
    enoughFor === 0 ? 'Count what comes in: Setup, Fixtures and kits' : `Begin ${enoughFor}: the rest waits as a batch of its own`;
  return refuse(sentence, { rule: 'parts', verdict: 'wait', remedy });
}

/** Sets leave where they lie; with -1 they go back, as far as the kit is still counted. */
export function takeSets(rows: Rows, kits: readonly KitTaken[], times: 1 | -1 = 1): void {
  for (const { kitId, sets } of kits) {
    const kit = rows.find(KitStock, kitId);
    if (kit) rows.amend(KitStock, kit, { sets: kit.sets - times * sets });
  }
}

/** What a batch of so many lacks of kits, in words. */
export const shortOf = (pieces: number, kits: readonly KitStock[]): string[] =>
  kits.filter((kit) => kit.sets < pieces).map(({ what, sets }) => `${what} (${sets} of ${pieces} here)`);
