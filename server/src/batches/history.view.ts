import { judgeBuild, type Coat, type Measure, type OverrideRecord } from '@ample-crane/core';
import type { OverrideView } from '../platform/http/views.ts';
import { nameOf, stepOf, type Shop } from '../factory/shop.service.ts';
import type { BuildView, CoatView, DefectView, MeasureView, VisitView } from './batch.view.ts';
import type { DefectEntity, VisitEntity } from './batch.entity.ts';

/** What has happened on one route, as people read it. */
export class History {
  constructor(
    private readonly shop: Shop,
    private readonly routeId: string,
  ) {}

  private step(operationId: string) {
    return stepOf(this.shop, this.routeId, operationId);
  }

  visit(visit: VisitEntity): VisitView {
    return {
      ...visit,
      operationName: this.step(visit.operationId).name,
      stationName: this.shop.stations.get(visit.stationCode)?.name ?? visit.stationCode,
      by: visit.personId === null ? null : nameOf(this.shop, visit.personId),
    };
  }

  coat(coat: Coat): CoatView {
    return {
      ...coat,
      operationName: this.step(coat.operationId).name,
      materialName: this.shop.factory.materialName(coat.materialId),
      by: nameOf(this.shop, coat.personId),
    };
  }

  measure(measure: Measure): MeasureView {
    const operation = this.step(measure.operationId);
    const characteristic = operation.characteristics?.find((c) => c.id === measure.characteristicId);
    return {
      ...measure,
      operationName: operation.name,
      characteristicName: characteristic?.name ?? measure.characteristicId,
      unit: characteristic?.unit ?? '',
      by: nameOf(this.shop, measure.personId),
    };
  }

  defect(defect: DefectEntity): DefectView {
    return {
      ...defect,
      operationName: this.step(defect.operationId).name,
      originOperationName: this.step(defect.originOperationId).name,
      by: nameOf(this.shop, defect.personId),
    };
  }

  override(override: OverrideRecord): OverrideView {
    return toOverrideView(override, this.shop, override.operationId === null ? null : this.step(override.operationId).name);
  }

  /** Dry build of what has been sprayed, against its window. */
  build(coats: readonly Coat[]): BuildView | null {
    const [first] = coats;
    const material = first ? this.shop.materials.get(first.materialId) : undefined;
    if (!material) return null;
    const dryUm = coats.filter((c) => c.materialId === material.id).reduce((sum, c) => sum + c.dryUm, 0);
    return {
      materialName: material.name,
      dryUm,
      lowUm: material.buildLowUm,
      highUm: material.buildHighUm,
      verdict: judgeBuild(dryUm, material),
    };
  }
}

export const toOverrideView = (override: OverrideRecord, shop: Shop, operationName: string | null): OverrideView => ({
  atMs: override.atMs,
  by: nameOf(shop, override.personId),
  reason: override.reason,
  operationName,
  findings: [...override.findings],
});
