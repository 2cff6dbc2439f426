import {
  AskForProgram,
  AssignProgram,
  DrawRevision,
  MoveRevision,
  PlanRevision,
  Program,
  ProveRevision,
  type CommandKind,
  type HouseFactory,
} from '@ample-crane/core';
import { Body, Controller, Get, Post, Query } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { CommandsService, seen } from '../logbook/commands.service.ts';
import { Gives } from '../logbook/gives.ts';
import { DoneView } from '../platform/http/views.ts';
import { InText } from '../platform/http/fields.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { Allow } from '../platform/identity/role.ts';
import {
  AskForProgramDto,
  AssignProgramDto,
  DrawRevisionDto,
  MoveRevisionDto,
  PlanRevisionDto,
  ProgramsView,
  ProgramView,
  ProveRevisionDto,
  type OnProgramDto,
} from './programs.dto.ts';
import { ProgramsQueries } from './programs.queries.ts';

export class ProgramQuery {
  @InText({ max: 300 }) id: string;
}

@ApiTags('machining')
@Controller('programs')
export class ProgramsController {
  constructor(
    private readonly programs: ProgramsQueries,
    private readonly commands: CommandsService,
  ) {}

  @Get()
  @Allow('viewer')
  @ApiOkResponse({ type: ProgramsView })
  list(): Promise<ProgramsView> {
    return this.programs.list();
  }

  @Get('one')
  @Allow('viewer')
  @ApiOkResponse({ type: ProgramView })
  one(@Query() { id }: ProgramQuery): Promise<ProgramView> {
    return this.programs.one(id);
  }

  @Post()
  @Gives(AskForProgram)
  @ApiOkResponse({ type: DoneView })
  askFor(@CurrentActor() actor: Actor, @Body() dto: AskForProgramDto): Promise<DoneView> {
    return this.commands.give(actor, AskForProgram, dto, { seen: [] }, () => ({ id: dto.what }));
  }

  @Post('assign')
  @Gives(AssignProgram)
  @ApiOkResponse({ type: DoneView })
  assign(@CurrentActor() actor: Actor, @Body() dto: AssignProgramDto): Promise<DoneView> {
    return this.on(actor, AssignProgram, dto);
  }

  @Post('draw')
  @Gives(DrawRevision)
  @ApiOkResponse({ type: DoneView })
  draw(@CurrentActor() actor: Actor, @Body() dto: DrawRevisionDto): Promise<DoneView> {
    return this.on(actor, DrawRevision, dto);
  }

  @Post('move')
  @Gives(MoveRevision)
  @ApiOkResponse({ type: DoneView })
  move(@CurrentActor() actor: Actor, @Body() dto: MoveRevisionDto): Promise<DoneView> {
    return this.on(actor, MoveRevision, dto);
  }

  @Post('prove')
  @Gives(ProveRevision)
  @ApiOkResponse({ type: DoneView })
  prove(@CurrentActor() actor: Actor, @Body() dto: ProveRevisionDto): Promise<DoneView> {
    return this.on(actor, ProveRevision, dto);
  }

  @Post('plan')
  @Gives(PlanRevision)
  @ApiOkResponse({ type: DoneView })
  plan(@CurrentActor() actor: Actor, @Body() dto: PlanRevisionDto): Promise<DoneView> {
    return this.on(actor, PlanRevision, dto);
  }

  /** Something that is said of a program as it was looked at. */
  private on<Name extends string, Request extends object>(
    actor: Actor,
    command: CommandKind<Name, Request, HouseFactory>,
    { version, atMs, ...said }: OnProgramDto & Request,
  ): Promise<DoneView> {
    const { programId } = said;
    // What is left is what the command asks for.
    const request = said as unknown as Request;
    return this.commands.give(actor, command, request, { seen: [seen(Program, programId, version)], atMs }, () => ({ id: programId }));
  }
}
