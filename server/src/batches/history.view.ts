import { judgeBuild, type Coat, type Measure, type OverrideRecord, type Visit } from '@ample-crane/core';
import type { OverrideView } from '../platform/http/views.ts';
import type { FactoryNow } from '../factory/factory.service.ts';
import type { BuildView, CoatView, DefectView, MeasureView, VisitView } from './batch.view.ts';
import type { DefectEntity } from './batch.entity.ts';
import type { Film } from './film.ts';

/** What has happened on one route, as people read it. */
export class History {
  constructor(
    private readonly factory: FactoryNow,
    private readonly routeId: string,
  ) {}

  private step(operationId: string) {
    return this.factory.stepOnceOf(this.routeId, operationId);
  }

  visit(visit: Visit): VisitView {
    return {
      ...visit,
      operationName: this.step(visit.operationId).name,
      stationName: this.factory.stationName(visit.stationCode),
      by: visit.personId === null ? null : this.factory.personName(visit.personId),
    };
  }

  coat(coat: Coat): CoatView {
    return {
      ...coat,
      operationName: this.step(coat.operationId).name,
      materialName: this.factory.materialName(coat.materialId),
      by: this.factory.personName(coat.personId),
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
      by: this.factory.personName(measure.personId),
    };
  }

  defect(defect: DefectEntity): DefectView {
    return {
      ...defect,
      operationName: this.step(defect.operationId).name,
      originOperationName: this.step(defect.originOperationId).name,
      by: this.factory.personName(defect.personId),
    };
  }

  override(override: OverrideRecord): OverrideView {
    return toOverrideView(override, this.factory, override.operationId === null ? null : this.step(override.operationId).name);
  }

  /** Dry build of what has been sprayed, on the thinnest piece and the thickest, against its window. */
  build({ coats: [first], on }: Film): BuildView | null {
    const material = first ? this.factory.setUp.materials.get(first.materialId) : undefined;
    if (!material) return null;
    const builds = on.map((coats) => coats.reduce((sum, c) => sum + (c.materialId === material.id ? c.dryUm : 0), 0));
    const [dryUm, thickestUm] = [Math.min(...builds), Math.max(...builds)];
    const thinnest = judgeBuild(dryUm, material);
    return {
      materialName: material.name,
      dryUm,
      thickestUm,
      lowUm: material.buildLowUm,
      highUm: material.buildHighUm,
      verdict: thinnest === 'thin' ? thinnest : judgeBuild(thickestUm, material),
    };
  }
}

export const toOverrideView = (override: OverrideRecord, factory: FactoryNow, operationName: string | null): OverrideView => ({
  atMs: override.atMs,
  by: factory.personName(override.personId),
  reason: override.reason,
  operationName,
  findings: [...override.findings],
});
