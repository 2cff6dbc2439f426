import type { JobSetting, StepSheet } from '@ample-crane/core';
import { Out, OutList, OutOrNull } from '../platform/http/fields.ts';

export class SettingFigureView {
  @Out() unit: string;
  @Out() low: number;
  @Out() high: number;
}

export class SettingView {
  @Out() id: string;
  @Out() name: string;
  /** none where it is words */
  @OutOrNull(SettingFigureView) figure: SettingFigureView | null;
}

export class SheetTickView {
  @Out() key: string;
  @Out() text: string;
}

export class SheetPictureView {
  @Out() id: string;
  @Out() caption: string;
}

/** The present step's sheet. */
export class SheetView {
  @OutList(() => String) instructions: string[];
  @OutList(() => SheetPictureView) pictures: SheetPictureView[];
  /** what must be ticked before it is finished */
  @OutList(() => SheetTickView) ticks: SheetTickView[];
  /** what is noted when it is finished */
  @OutList(() => SettingView) notes: SettingView[];
  @OutList(() => String) lookFor: string[];
  @OutList(() => String) looksBadNow: string[];
  @OutList(() => String) endsPiece: string[];
}

export const toSettingView = ({ id, name, figure }: JobSetting): SettingView => ({ id, name, figure: figure ?? null });

export const toSheetView = ({ pictures = [], ticks = [], notes = [], ...told }: StepSheet): SheetView => ({
  instructions: [...(told.instructions ?? [])],
  pictures: [...pictures],
  ticks: [...ticks],
  notes: notes.map(toSettingView),
  lookFor: [...(told.lookFor ?? [])],
  looksBadNow: [...(told.looksBadNow ?? [])],
  endsPiece: [...(told.endsPiece ?? [])],
});
