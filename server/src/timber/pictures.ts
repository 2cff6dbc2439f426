import { randomUUID } from 'node:crypto';
import { Body, Controller, Get, HttpCode, Injectable, Param, Post, StreamableFile } from '@nestjs/common';
import { ApiOkResponse, ApiProduces, ApiTags } from '@nestjs/swagger';
import { DataSource } from 'typeorm';
import { InText, Out, OutOrNull } from '../platform/http/fields.ts';
import { PICTURE_BYTES, PICTURE_TEXT, PICTURE_TYPES, pictureIn } from '../platform/http/picture.ts';
import { Upload } from '../platform/http/upload.ts';
import { DoneView } from '../platform/http/views.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { Allow } from '../platform/identity/role.ts';
import { badInput, notFound } from '../platform/problems/problems.ts';
import { ChangesService } from '../factory/changes.service.ts';
import { BoardEntity, LotEntity, PictureEntity } from './timber.entity.ts';

export class PictureDto {
  @InText({ max: 120 }) name: string;
  @InText({ nullable: true }) boardId: string | null;
  /** the file, base64 */
  @InText(PICTURE_TEXT) data: string;
}

export class PictureView {
  @Out() id: string;
  @OutOrNull(String) boardId: string | null;
  @Out() atMs: number;
  @Out() name: string;
}

/** Pictures of boards and packs: kept in the database, so that one backup holds everything. */
@Injectable()
export class PicturesService {
  constructor(
    private readonly database: DataSource,
    private readonly changes: ChangesService,
  ) {}

  async add(actor: Actor, lotId: string, { name, boardId, data }: PictureDto): Promise<{ id: string }> {
    const { mediaType, bytes } = await pictureIn(data);
    const id = randomUUID();
    return this.changes.make(actor, 'picture', id, { lotId, name, boardId, size: bytes.length }, async (manager, nowMs) => {
      if (!(await manager.existsBy(LotEntity, { id: lotId }))) throw notFound('lot', lotId);
      if (boardId !== null && !(await manager.existsBy(BoardEntity, { id: boardId, lotId })))
        throw badInput('boardId', `Lot ${lotId} has no board ${boardId}`);
      await manager.insert(PictureEntity, { id, lotId, boardId, atMs: nowMs, personId: actor.personId, name, mediaType, bytes });
      return { before: null, after: { lotId, name, boardId } };
    });
  }

  async get(id: string): Promise<{ mediaType: string; bytes: Buffer }> {
    const picture = await this.database
      .getRepository(PictureEntity)
      .findOne({ where: { id }, select: { id: true, mediaType: true, bytes: true } });
    if (!picture) throw notFound('picture', id);
    return picture;
  }
}

@ApiTags('lots')
@Controller()
export class PicturesController {
  constructor(private readonly pictures: PicturesService) {}

  @Post('lots/:id/pictures')
  @Allow('operator')
  @Upload('data', { bytes: PICTURE_BYTES, as: 'base64' })
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  add(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: PictureDto): Promise<DoneView> {
    return this.pictures.add(actor, id, dto);
  }

  @Get('pictures/:id')
  @Allow('viewer')
  @ApiProduces(...PICTURE_TYPES)
  @ApiOkResponse({ schema: { type: 'string', format: 'binary' } })
  async get(@Param('id') id: string): Promise<StreamableFile> {
    const { mediaType, bytes } = await this.pictures.get(id);
    return new StreamableFile(bytes, { type: mediaType, disposition: 'inline' });
  }
}
