/** One coat on one batch. */
export interface Coat {
  id: string;
  batchId: string;
  visitId: string;
  operationId: string;
  atMs: number;
  personId: string | null;
  materialId: string;
  wetUm: number;
  dryUm: number;
  flashUntilMs: number;
}
