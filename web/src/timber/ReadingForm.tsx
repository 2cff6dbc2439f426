import { METER_NOISE_PCT, METHODS, outliers, readSession, SESSION_HINTS, type Method } from '@ample-crane/core';
import { Button, Stack, Typography } from '@mui/material';
import { useCallback, useRef } from 'react';
import { useController, useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useKey } from '../ground/keys.ts';
import { useCommand, useSetup, useZones } from '../ground/queries.ts';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { ChoiceIn, FigureIn, figureIn, idChoices, useTyped } from '../parts/fields.tsx';
import { QuickEntry, type Parsed } from '../parts/QuickEntry.tsx';

interface Props {
  lot: View<'LotView'>;
  /** dry masses of its sample boards */
  samples: readonly View<'SampleView'>[];
  onLogged?: () => void;
  autoFocus?: boolean;
}

/** A session of one lot, typed as people say it. */
export function ReadingForm({ lot, samples, onLogged, autoFocus = false }: Props) {
  const zones = useZones();
  const setup = useSetup();
  const roomTempC = zones.data?.find((z) => z.id === lot.zoneId)?.tempC;
  // The room's temperature until somebody has measured the wood's.
  const { control, handleSubmit, resetField } = useForm<{ text: string; temp: string; meter: Method }>({
    values: { text: '', temp: roomTempC?.toFixed(1) ?? '20', meter: 'pin' },
    resetOptions: { keepDirtyValues: true },
  });
  const typed = useTyped(control);
  const { field: words } = useController({ control, name: 'text' });
  const { text, temp, meter } = typed;
  const field = useRef<HTMLInputElement>(null);
  useKey(
    'l',
    useCallback(() => field.current?.focus(), []),
  );
  const log = useCommand(
    (body: View<'ReadingsDto'>, headers) =>
      ask(client.POST('/api/lots/{id}/readings', { params: { path: { id: lot.id } }, body, headers })),
    () => {
      resetField('text');
      onLogged?.();
    },
  );
  const woodTempC = figureIn(temp);
  const tempFits = woodTempC >= -20 && woodTempC <= 60;
  const reads = setup.data?.species.find((s) => s.name === lot.species)?.meter;
  const { readings, problems } = readSession(meter, text, {
    woodTempC: tempFits ? woodTempC : 20,
    samples: Object.fromEntries(samples.map((s) => [s.name, s.dryMassG])),
    ...(reads ? { species: reads } : {}),
  });
  const values = readings.map((r) => r.correctedPct);
  const odd = outliers(values, METER_NOISE_PCT);
  const parsed: Parsed = {
    values: readings.map((r) => ({ value: r.correctedPct, shown: `${r.depth === 'core' ? 'c' : ''}${r.correctedPct.toFixed(1)}` })),
    problems: problems.map((p) => p.message),
  };
  const ready = readings.length > 0 && problems.length === 0 && tempFits && !log.isPending;
  const submit = () => ready && log.mutate({ version: lot.version, text, woodTempC, meter });
  return (
    <Stack component="form" spacing={1.5} noValidate onSubmit={(event) => void handleSubmit(submit)(event)}>
      <QuickEntry
        label="Readings"
        text={text}
        onChange={words.onChange}
        parsed={parsed}
        band={lot.band}
        unit="%"
        hint={SESSION_HINTS[meter]}
        takesFrom={{ place: `zone ${lot.zoneId}`, unit: '%' }}
        inputRef={field}
        autoFocus={autoFocus}
        aside={
          <Typography variant="caption">
            corrected
            {odd.length > 0 && ` · ${odd.map((i) => values[i]?.toFixed(1)).join(', ')} stands apart: measure again beside it`}
          </Typography>
        }
      />
      <Stack direction="row" spacing={1.5} useFlexGap sx={{ flexWrap: 'wrap' }}>
        <FigureIn control={control} name="temp" label="Wood temperature, °C" min={-20} max={60} sx={{ width: 170 }} />
        <ChoiceIn control={control} name="meter" label="Measured by" choices={idChoices(METHODS)} sx={{ width: 150 }} />
        <Button type="submit" variant="contained" disabled={!ready} loading={log.isPending}>
          Log session
        </Button>
      </Stack>
      {log.error && <ErrorNote error={log.error} />}
    </Stack>
  );
}
