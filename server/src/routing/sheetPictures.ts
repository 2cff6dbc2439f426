import { createHash } from 'node:crypto';
import { Body, Controller, Get, Header, HttpCode, Injectable, Param, Post, StreamableFile } from '@nestjs/common';
import { ApiOkResponse, ApiProduces, ApiTags } from '@nestjs/swagger';
import { DataSource } from 'typeorm';
import { ChangesService } from '../factory/changes.service.ts';
import { InText } from '../platform/http/fields.ts';
import { PICTURE_BYTES, PICTURE_TEXT, PICTURE_TYPES, pictureIn } from '../platform/http/picture.ts';
import { Upload } from '../platform/http/upload.ts';
import { DoneView } from '../platform/http/views.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { Allow } from '../platform/identity/role.ts';
import { notFound } from '../platform/problems/problems.ts';
import { SheetPictureEntity } from './sheetPicture.entity.ts';

/** A picture is called by what it shows: one that is there already is kept once, and none is ever another. */
export const sheetPictureId = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex').slice(0, 32);

export class SheetPictureDto {
  @InText({ max: 120 }) name: string;
  /** the file, base64 */
  @InText(PICTURE_TEXT) data: string;
}

/** Pictures of step sheets: kept in the database, so that one backup holds everything. */
@Injectable()
export class SheetPicturesService {
  constructor(
    private readonly database: DataSource,
    private readonly changes: ChangesService,
  ) {}

  async add(actor: Actor, { name, data }: SheetPictureDto): Promise<{ id: string }> {
    const { mediaType, bytes } = await pictureIn(data);
    const id = sheetPictureId(bytes);
    return this.changes.make(actor, 'sheet picture', id, { name, size: bytes.length }, async (manager) => {
      await manager.createQueryBuilder().insert().into(SheetPictureEntity).values({ id, mediaType, bytes }).orIgnore().execute();
      return { before: null, after: { name } };
    });
  }

  async get(id: string): Promise<SheetPictureEntity> {
    const picture = await this.database.getRepository(SheetPictureEntity).findOneBy({ id });
    if (!picture) throw notFound('picture', id);
    return picture;
  }
}

@ApiTags('routes')
@Controller('sheet-pictures')
export class SheetPicturesController {
  constructor(private readonly pictures: SheetPicturesService) {}

  @Post()
  @Allow('lead')
  @Upload('data', { bytes: PICTURE_BYTES, as: 'base64' })
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  add(@CurrentActor() actor: Actor, @Body() dto: SheetPictureDto): Promise<DoneView> {
    return this.pictures.add(actor, dto);
  }

  /** Never another under the same name: a device keeps it, and shows it without network. */
  @Get(':id')
  @Allow('viewer')
  @Header('Cache-Control', 'private, max-age=31536000, immutable')
  @ApiProduces(...PICTURE_TYPES)
  @ApiOkResponse({ schema: { type: 'string', format: 'binary' } })
  async get(@Param('id') id: string): Promise<StreamableFile> {
    const { mediaType, bytes } = await this.pictures.get(id);
    return new StreamableFile(bytes, { type: mediaType, disposition: 'inline' });
  }
}
