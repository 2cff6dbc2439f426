import { randomUUID } from 'node:crypto';
import { Body, Controller, Get, HttpCode, Injectable, Param, Post, StreamableFile } from '@nestjs/common';
import { ApiOkResponse, ApiProduces, ApiTags } from '@nestjs/swagger';
import { fileTypeFromBuffer } from 'file-type';
import { imageSize } from 'image-size';
import { DataSource } from 'typeorm';
import { InText, Out, OutOrNull } from '../platform/http/fields.ts';
import { Upload } from '../platform/http/upload.ts';
import { DoneView } from '../platform/http/views.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { Allow } from '../platform/identity/role.ts';
import { badInput, notFound } from '../platform/problems/problems.ts';
import { ChangesService } from '../factory/changes.service.ts';
import { BoardEntity, LotEntity, PictureEntity } from './timber.entity.ts';

const MOST_BYTES = 4 * 1024 * 1024;
/** What a good camera makes; four bytes each once it is shown. */
const MOST_PIXELS = 50_000_000;
const TYPES = ['image/png', 'image/jpeg', 'image/webp'];

export class PictureDto {
  @InText({ max: 120 }) name: string;
  @InText({ nullable: true }) boardId: string | null;
  /** the file, base64 */
  @InText({ max: Math.ceil((MOST_BYTES * 4) / 3) + 1000, verbatim: true }) data: string;
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
    const bytes = Buffer.from(data, 'base64');
    // What a file says of itself by its name is not believed.
    const type = await fileTypeFromBuffer(bytes);
    if (!type || !TYPES.includes(type.mime)) throw badInput('data', 'Only PNG, JPEG and WebP pictures are kept');
    checkPixels(bytes);
    const id = randomUUID();
    return this.changes.make(actor, 'picture', id, { lotId, name, boardId, size: bytes.length }, async (manager, nowMs) => {
      if (!(await manager.existsBy(LotEntity, { id: lotId }))) throw notFound('lot', lotId);
      if (boardId !== null && !(await manager.existsBy(BoardEntity, { id: boardId, lotId })))
        throw badInput('boardId', `Lot ${lotId} has no board ${boardId}`);
      await manager.insert(PictureEntity, { id, lotId, boardId, atMs: nowMs, personId: actor.personId, name, mediaType: type.mime, bytes });
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

/** A small file can unfold into a picture that no tablet has room for. */
function checkPixels(bytes: Buffer): void {
  let size: { width: number; height: number };
  try {
    size = imageSize(bytes);
  } catch {
    throw badInput('data', 'The picture is damaged: its size cannot be read');
  }
  if (size.width * size.height > MOST_PIXELS)
    throw badInput('data', `A picture may have ${MOST_PIXELS / 1e6} million points; this one has ${size.width} × ${size.height}`);
}

@ApiTags('lots')
@Controller()
export class PicturesController {
  constructor(private readonly pictures: PicturesService) {}

  @Post('lots/:id/pictures')
  @Allow('operator')
  @Upload('data', { bytes: MOST_BYTES, as: 'base64' })
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  add(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: PictureDto): Promise<DoneView> {
    return this.pictures.add(actor, id, dto);
  }

  @Get('pictures/:id')
  @Allow('viewer')
  @ApiProduces('image/png', 'image/jpeg', 'image/webp')
  @ApiOkResponse({ schema: { type: 'string', format: 'binary' } })
  async get(@Param('id') id: string): Promise<StreamableFile> {
    const { mediaType, bytes } = await this.pictures.get(id);
    return new StreamableFile(bytes, { type: mediaType, disposition: 'inline' });
  }
}
