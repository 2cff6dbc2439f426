import { Body, Controller, Get, HttpCode, Param, Post, Put } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { DoneView } from '../platform/http/views.ts';
import { BodyBound, type BodyBounds } from '../platform/http/body.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { Allow } from '../platform/identity/role.ts';
import { RoutesService } from './routes.service.ts';
import {
  DiscardRouteDto,
  DraftDto,
  MoveOverView,
  ReleaseRouteDto,
  RouteVersionView,
  RouteView,
  SaveDraftDto,
  SavedDraftView,
} from './routes.view.ts';

/** How models are built: versions of their routes. */
/** A whole route, each of its steps with its gate. */
const ROUTE_BODY: BodyBounds = { bytes: 1024 * 1024, values: 40_000, depth: 24 };

@ApiTags('routes')
@Controller('routes')
export class RoutesController {
  constructor(private readonly routes: RoutesService) {}

  @Get()
  @Allow('viewer')
  @ApiOkResponse({ type: [RouteVersionView] })
  list(): Promise<RouteVersionView[]> {
    return this.routes.list();
  }

  @Get(':id')
  @Allow('viewer')
  @ApiOkResponse({ type: RouteView })
  get(@Param('id') id: string): Promise<RouteView> {
    return this.routes.get(id);
  }

  @Get(':id/work')
  @Allow('viewer')
  @ApiOkResponse({ type: [MoveOverView] })
  work(@CurrentActor() actor: Actor, @Param('id') id: string): Promise<MoveOverView[]> {
    return this.routes.workToMove(id, actor);
  }

  @Post()
  @Allow('lead')
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  draft(@CurrentActor() actor: Actor, @Body() dto: DraftDto): Promise<DoneView> {
    return this.routes.draft(actor, dto);
  }

  @Put(':id')
  @BodyBound(ROUTE_BODY)
  @Allow('lead')
  @ApiOkResponse({ type: SavedDraftView })
  save(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: SaveDraftDto): Promise<SavedDraftView> {
    return this.routes.save(actor, id, dto);
  }

  @Post(':id/release')
  @Allow('manager')
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  release(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: ReleaseRouteDto): Promise<DoneView> {
    return this.routes.release(actor, id, dto);
  }

  @Post(':id/discard')
  @Allow('lead')
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  discard(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() { revision }: DiscardRouteDto): Promise<DoneView> {
    return this.routes.discard(actor, id, revision);
  }
}
