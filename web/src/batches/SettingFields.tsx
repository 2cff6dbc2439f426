import { Stack } from '@mui/material';
import type { Control } from 'react-hook-form';
import type { View } from '../ground/api.ts';
import { FigureIn, figureIn, TextIn } from '../parts/fields.tsx';

/** As they are typed, in the order in which the step asks for them. */
export interface SettingsTyped {
  settings: { text: string }[];
}

type Settings = View<'CardView'>['settings'];

/**
 * What a step asks to be noted of how it is done.
 *
 * @param past whether it is done: then what was, is noted, also where it should not have been
 */
export function SettingFields({
  control,
  settings,
  past = false,
}: {
  control: Control<SettingsTyped>;
  settings: Settings;
  past?: boolean;
}) {
  return (
    <Stack direction="row" useFlexGap spacing={2} sx={{ flexWrap: 'wrap' }}>
      {settings.map(({ id, name, figure }, i) =>
        figure ? (
          <FigureIn
            key={id}
            control={control}
            name={`settings.${i}.text`}
            label={figure.unit === '' ? name : `${name}, ${figure.unit}`}
            helperText={`${figure.low} to ${figure.high}`}
            {...(past ? {} : { min: figure.low, max: figure.high })}
          />
        ) : (
          <TextIn
            key={id}
            control={control}
            name={`settings.${i}.text`}
            label={name}
            rules={{ required: `Type the ${name.toLowerCase()}` }}
          />
        ),
      )}
    </Stack>
  );
}

/** What was typed, as it is sent. */
export const settingsSaid = (settings: Settings, { settings: typed }: SettingsTyped) =>
  settings.map(({ id, figure }, i) => {
    const text = typed[i]?.text ?? '';
    return figure ? { id, figure: figureIn(text) } : { id, words: text.trim() };
  });
