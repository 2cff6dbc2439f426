import {
  asked,
  commandKind,
  mayActAs,
  NOT_ANSWERED,
  refuse,
  rowsOf,
  worst,
  type Decided,
  type Decision,
  type Role,
} from '../../ledger/index.ts';
import type { LotReleased } from '../entries/lotReleased.ts';
import { Lot } from '../lot.ts';
import { judgeLot } from '../moistureGate.ts';
import { bandOf, rulesFor } from '../moistureRules.ts';
import { outOfBand } from '../stillFree.ts';
import { ReadingsOf, ShopEmc, type WoodFactory } from '../woodFactory.ts';

/** Wood that moves later is the costliest mistake of the shop. */
const OVERRIDE_ROLE: Role = 'manager';

export interface ReleaseLotRequest {
  lotId: string;
  overrideReason?: string;
}

/** Lets a lot go to the mill, through the moisture gate or against it; again, where a reading since has found it out of band. */
export const ReleaseLot = commandKind('release lot')<ReleaseLotRequest, WoodFactory>({
  role: 'lead',
  concerns: ({ lotId }) => ({ about: [rowsOf(Lot, [lotId])] }),
  objection: ({ overrideReason }, by) =>
    overrideReason !== undefined && !mayActAs(by.role, OVERRIDE_ROLE)
      ? `Wet or dry wood can be released by a ${OVERRIDE_ROLE} only; you are ${by.role}.`
      : null,
  asks: ({ lotId }) => [asked(ReadingsOf, { lotId }), asked(ShopEmc, {})],
  decide({ lotId, overrideReason }, { rows, factory, nowMs, answers }): Decision<Decided<typeof LotReleased>> {
    const lot = rows.get(Lot, lotId);
    const { moistureGate, moistureBand, moistureExceptions } = factory.setUp.settings;
    const { gate, band } = rulesFor(lot, { gate: moistureGate, band: moistureBand }, moistureExceptions);
    const read = answers.to(ReadingsOf, { lotId });
    const shopEmcPct = answers.to(ShopEmc, {});
    if (read === NOT_ANSWERED) return refuse(`Nobody could say how wet lot ${lotId} is`);
    if (shopEmcPct === NOT_ANSWERED) return refuse('Nobody could say how moist the shop is');
    const isOut = outOfBand(lot, bandOf(band, shopEmcPct)) === 'since its release';
    if (lot.state !== 'drying' && !isOut) return refuse(`Lot ${lotId} is ${lot.state} already`);
    const { receivedMs, thicknessMm, volumeM3, restricted, permit } = lot;
    const papers = restricted ? (permit === null ? 'missing' : 'present') : 'not needed';
    const findings = judgeLot({ nowMs, receivedMs, thicknessMm, volumeM3, papers, ...read }, bandOf(band, shopEmcPct), gate);
    const against = findings.filter((f) => f.verdict !== 'pass');
    if (against.length > 0 && overrideReason === undefined) return { kind: 'refuse', because: against };
    const override = worst(findings) === 'pass' ? null : { reason: overrideReason ?? '', findings };
    return { kind: 'accept', entries: [{ kind: 'lot.released', lotId, payload: { override, findings } }] };
  },
});
