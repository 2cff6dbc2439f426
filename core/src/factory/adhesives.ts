import type { RigLaws } from '../carriers/index.ts';
import type { CureLaw } from '../climate/index.ts';
import type { Pressing } from '../routing/index.ts';

export const ADHESIVE_KINDS = ['wood glue', 'epoxy', 'instant', 'solvent cement', 'polyurethane'] as const;
export type AdhesiveKind = (typeof ADHESIVE_KINDS)[number];

/** A glue as the house uses it. Its maker's data sheet comes first. */
export interface Adhesive {
  id: string;
  name: string;
  kind: AdhesiveKind;
  /** how long it may lie open before its clamps are closed, minutes; not there where nothing is said */
  openMinutes?: number;
  /** how long it stays under pressure at 20 °C, minutes */
  clampMinutes: number;
  /** and before it may be machined or stressed, from the same moment */
  setMinutes: number;
  /** below this its clock stands, °C */
  lowestC: number;
  /** how many times as fast it goes for each 10 °C more; 1 where the clock alone decides */
  timesPer10C: number;
  /** what takes another time under pressure with it */
  materials: readonly { name: string; clampMinutes: number }[];
  note: string;
}

/** At this temperature clamp times are told. */
const CLAMP_REFERENCE_C = 20;

const HOUR = 60;

/** How a house begins, and edits. @source DOMAIN §5, common practice; a product's own data sheet decides */
export const ADHESIVES: readonly Adhesive[] = [
  {
    id: 'pva',
    name: 'Aliphatic wood glue',
    kind: 'wood glue',
    openMinutes: 10,
    clampMinutes: 45,
    setMinutes: 24 * HOUR,
    lowestC: 10,
    timesPer10C: 2,
    materials: [{ name: 'light parts', clampMinutes: 30 }],
    note: 'Half an hour for light parts',
  },
  {
    id: 'hide',
    name: 'Hot hide glue',
    kind: 'wood glue',
    openMinutes: 2,
    clampMinutes: 12 * HOUR,
    setMinutes: 24 * HOUR,
    lowestC: 21,
    timesPer10C: 1,
    materials: [],
    note: 'Joints that can be opened again; the room at 21 °C at least',
  },
  {
    id: 'epoxy',
    name: 'Slow epoxy',
    kind: 'epoxy',
    openMinutes: 45,
    clampMinutes: 12 * HOUR,
    setMinutes: 24 * HOUR,
    lowestC: 16,
    timesPer10C: 2,
    materials: [],
    note: 'Oily woods after a solvent wipe; wood glue does not hold on it afterwards',
  },
  {
    id: 'instant',
    name: 'Cyanoacrylate',
    kind: 'instant',
    clampMinutes: 2,
    setMinutes: 30,
    lowestC: 10,
    timesPer10C: 1,
    materials: [],
    note: 'Bindings and inlay',
  },
  {
    id: 'cement',
    name: 'Solvent cement',
    kind: 'solvent cement',
    clampMinutes: 14 * HOUR,
    setMinutes: 24 * HOUR,
    lowestC: 16,
    timesPer10C: 1,
    materials: [],
    note: 'Plastic binding, overnight; both faces bound are two rounds',
  },
  {
    id: 'pu',
    name: 'Polyurethane glue',
    kind: 'polyurethane',
    openMinutes: 20,
    clampMinutes: 4 * HOUR,
    setMinutes: 24 * HOUR,
    lowestC: 10,
    timesPer10C: 1,
    materials: [],
    note: '',
  },
];

/** Pressed without glue, or by its press: warmth changes nothing. */
const BY_THE_CLOCK: CureLaw = { referenceTempC: CLAMP_REFERENCE_C, q10: 1, minimumTempC: -50 };

/** What a step's pressing asks for; null where its glue is not on record. */
export function pressingLaws(adhesives: readonly Adhesive[], { adhesiveId, material, minutes }: Pressing): RigLaws | null {
  if (minutes !== undefined) return { out: [{ minutes, law: BY_THE_CLOCK }], set: null };
  const adhesive = adhesives.find((a) => a.id === adhesiveId);
  if (!adhesive) return null;
  const law: CureLaw = { referenceTempC: CLAMP_REFERENCE_C, q10: adhesive.timesPer10C, minimumTempC: adhesive.lowestC };
  const clamped = adhesive.materials.find((m) => m.name === material)?.clampMinutes ?? adhesive.clampMinutes;
  const { openMinutes } = adhesive;
  return {
    out: [{ minutes: clamped, law }],
    set: { minutes: adhesive.setMinutes, law },
    ...(openMinutes === undefined ? {} : { openMinutes }),
  };
}

/** What is wrong with a list of glues. */
export function checkAdhesives(adhesives: readonly Adhesive[]): { index: number; problem: string } | null {
  const ids = new Set<string>();
  for (const [index, { id, name, clampMinutes, setMinutes, materials }] of adhesives.entries()) {
    if (ids.has(id)) return { index, problem: `"${id}" is there twice` };
    ids.add(id);
    if (setMinutes < clampMinutes) return { index, problem: `${name} may not be machined before its clamps come off` };
    if (new Set(materials.map((m) => m.name)).size !== materials.length) return { index, problem: `${name} names a material twice` };
  }
  return null;
}
