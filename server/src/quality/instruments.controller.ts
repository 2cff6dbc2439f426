import { studyInWords, StudyInstrument, studyResult, type GaugeStudy } from '@ample-crane/core';
import { Body, Controller, Get, Post } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { DataSource } from 'typeorm';
import { FactoryService, type FactoryNow } from '../factory/factory.service.ts';
import { CommandsService } from '../logbook/commands.service.ts';
import { Gives } from '../logbook/gives.ts';
import { DoneView } from '../platform/http/views.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { Allow } from '../platform/identity/role.ts';
import { InstrumentStudyEntity } from './instrumentStudy.entity.ts';
import { InstrumentStudyView, StudyInstrumentDto, type GaugeView } from './instruments.dto.ts';

@ApiTags('quality')
@Controller('instrument-studies')
export class InstrumentsController {
  constructor(
    private readonly commands: CommandsService,
    private readonly database: DataSource,
    private readonly factories: FactoryService,
  ) {}

  /** The latest study of each instrument for each thing it measures. */
  @Get()
  @Allow('viewer')
  @ApiOkResponse({ type: [InstrumentStudyView] })
  async studies(): Promise<InstrumentStudyView[]> {
    const studies = await this.database.getRepository(InstrumentStudyEntity).find({ order: { id: 'ASC' } });
    const factory = await this.factories.load();
    return studies.map((study) => toView(study, factory));
  }

  @Post()
  @Gives(StudyInstrument)
  @ApiOkResponse({ type: DoneView })
  keep(@CurrentActor() actor: Actor, @Body() { people, ...said }: StudyInstrumentDto): Promise<DoneView> {
    const request = { ...said, people: people.map((p) => p.name), values: people.map((p) => p.parts.map((part) => part.again)) };
    return this.commands.give(actor, StudyInstrument, request, { seen: [] }, () => ({ id: said.instrument }));
  }
}

function toView(study: InstrumentStudyEntity, factory: FactoryNow): InstrumentStudyView {
  const { id, instrument, what, unit, people, values, atMs, personId } = study;
  const result = studyResult(study);
  return {
    id,
    instrument,
    what,
    unit,
    people: [...people],
    parts: values[0]?.length ?? 0,
    repeats: values[0]?.[0]?.length ?? 0,
    atMs,
    by: factory.personName(personId),
    verdict: result.verdict,
    sentence: studyInWords(study, result),
    byVariance: gaugeView(result.byVariance),
    byRange: result.byRange && gaugeView(result.byRange),
  };
}

const gaugeView = ({ repeatability, reproducibility, gauge, part, ofTolerancePct, ofTotalPct, categories }: GaugeStudy): GaugeView => ({
  repeatability,
  reproducibility,
  gauge,
  part,
  ofTolerancePct,
  ofTotalPct,
  categories: Number.isFinite(categories) ? categories : null,
});
