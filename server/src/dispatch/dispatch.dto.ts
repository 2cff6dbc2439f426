import { InCount, InText } from '../platform/http/fields.ts';

export class ShipDto {
  @InCount({ min: 0, max: 1_000_000 }) version: number;
  @InText({ max: 120 }) consignee: string;
  @InText({ max: 120 }) shipper: string;
}
