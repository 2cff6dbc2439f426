import type { Control, FieldPathByValue, FieldValues } from 'react-hook-form';
import type { View } from '../ground/api.ts';
import { FieldRow, FigureIn, figureIn } from '../parts/fields.tsx';

/** Minutes of a load and of setting up, as they are typed. */
export interface PlannedTyped {
  setUp: string;
  load: string;
  run: string;
  unload: string;
}

export const plannedTyped = ({ setUp, load, run, unload }: View<'PlannedMinutesView'>): PlannedTyped => ({
  setUp: String(setUp),
  load: String(load),
  run: String(run),
  unload: String(unload),
});
export const plannedIn = ({ setUp, load, run, unload }: PlannedTyped): View<'PlannedMinutesDto'> => ({
  setUp: figureIn(setUp),
  load: figureIn(load),
  run: figureIn(run),
  unload: figureIn(unload),
});

interface Props<Fields extends FieldValues> {
  control: Control<Fields>;
  names: { [Key in keyof PlannedTyped]: FieldPathByValue<Fields, string> };
}

/** The minutes that are planned for a load, and for setting up. */
export const PlannedFields = <Fields extends FieldValues>({ control, names }: Props<Fields>) => (
  <>
    <FieldRow>
      <FigureIn control={control} name={names.setUp} label="To set up, min" min={0} />
      <FigureIn control={control} name={names.load} label="To put a load on, min" min={0} />
    </FieldRow>
    <FieldRow>
      <FigureIn control={control} name={names.run} label="Running, min" min={0} />
      <FigureIn control={control} name={names.unload} label="To take it off, min" min={0} />
    </FieldRow>
  </>
);
