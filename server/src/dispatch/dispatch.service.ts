import { Instrument, rowsOf } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { current } from '../batches/commands.ts';
import { operationAt, ShopService } from '../factory/shop.service.ts';
import { LogbookService } from '../logbook/logbook.service.ts';
import type { Actor } from '../platform/identity/actor.ts';
import { refused } from '../platform/problems/problems.ts';
import type { ShipDto } from './dispatch.dto.ts';

@Injectable()
export class DispatchService {
  constructor(
    private readonly logbook: LogbookService,
    private readonly shops: ShopService,
  ) {}

  /** Enters an instrument in the ledger and sends it off. */
  async ship(actor: Actor, serial: string, dto: ShipDto): Promise<{ id: string }> {
    const shop = await this.shops.load();
    return this.logbook.perform(
      actor,
      { name: 'ship', request: { serial, ...dto }, concerns: { about: [rowsOf(Instrument, [serial])] } },
      (unit) => {
        const instrument = unit.rows.get(Instrument, serial);
        const batch = current(unit, instrument.batchId, dto.version);
        const no = (sentence: string) => refused([{ rule: 'state', verdict: 'stop', sentence }]);
        if (instrument.state !== 'in work') throw no(`${serial} is ${instrument.state}`);
        if (batch.status === 'held') throw no(`Batch ${batch.id} is held: ${batch.holdReason ?? ''}`);
        if (operationAt(shop, batch).kind !== 'dispatch') throw no(`${serial} is at ${operationAt(shop, batch).name}, not at dispatch`);
        unit.record('instrument.shipped', { batchId: batch.id, serial }, { consignee: dto.consignee, shipper: dto.shipper });
        return { id: serial };
      },
    );
  }
}
