import { Batch, Instrument } from '../batches/index.ts';
import type { Factory } from '../factory/index.ts';
import { commandKind, refuse, rowsOf, type Decided, type Decision } from '../ledger/index.ts';
import type { InstrumentShipped } from './instrumentShipped.ts';

export interface ShipRequest {
  serial: string;
  consignee: string;
  shipper: string;
}

/** Enters an instrument in the ledger and sends it off. */
export const ShipInstrument = commandKind('ship instrument')<ShipRequest, Factory>({
  role: 'operator',
  concerns: ({ serial }) => ({ about: [rowsOf(Instrument, [serial])] }),
  decide({ serial, consignee, shipper }, { rows, factory }): Decision<Decided<typeof InstrumentShipped>> {
    const instrument = rows.get(Instrument, serial);
    const batch = rows.get(Batch, instrument.batchId);
    if (instrument.state !== 'in work') return refuse(`${serial} is ${instrument.state}`);
    if (batch.status === 'held') return refuse(`Batch ${batch.id} is held: ${batch.holdReason ?? ''}`);
    const operation = factory.operationAt(batch);
    if (operation.kind !== 'dispatch') return refuse(`${serial} is at ${operation.name}, not at dispatch`);
    return { kind: 'accept', entries: [{ kind: 'instrument.shipped', batchId: batch.id, serial, payload: { consignee, shipper } }] };
  },
});
