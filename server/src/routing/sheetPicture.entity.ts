import { Column, Entity, PrimaryColumn } from 'typeorm';
import { Text } from '../platform/database/columns.ts';

@Entity('sheet_picture')
export class SheetPictureEntity {
  @PrimaryColumn('text') id: string;
  @Text() mediaType: string;
  @Column('bytea') bytes: Buffer;
}
