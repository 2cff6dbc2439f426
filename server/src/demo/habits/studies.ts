import { type Random, StudyInstrument } from '@ample-crane/core';
import type { Mover } from './mover.ts';

const PARTS = 8;
const REPEATS = 2;
/** How far apart two readings of a part lie, how far whoever reads is off, and how the parts differ. */
const AGAIN_MM = 0.005;
const PERSON_MM = 0.004;
const PART_MM = 0.03;

/** The caliper that reads pockets was studied this morning, by two who use it. */
export function studyCaliper(mover: Mover, random: Random, { atMs, leadId }: { atMs: number; leadId: string }): void {
  const people = [...mover.factory.setUp.people.values()].slice(0, 2).map((p) => p.name);
  const parts = Array.from({ length: PARTS }, () => random.normal(56.05, PART_MM));
  const round = (mm: number) => Math.round(mm * 1000) / 1000;
  const values = people.map(() => {
    const off = random.normal(0, PERSON_MM);
    return parts.map((part) => Array.from({ length: REPEATS }, () => round(part + off + random.normal(0, AGAIN_MM))));
  });
  const request = { instrument: 'inside caliper', what: 'Pocket width', unit: 'mm', low: 55.95, high: 56.15, people, values };
  mover.give(StudyInstrument, request, atMs, leadId);
}
