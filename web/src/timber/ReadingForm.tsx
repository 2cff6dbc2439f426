import { METER_NOISE_PCT, METHODS, outliers, readSession, SESSION_HINTS, type Method } from '@ample-crane/core';
import { Button, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { useCallback, useRef, useState } from 'react';
import { ask, client, type View } from '../ground/api.ts';
import { useKey } from '../ground/keys.ts';
import { useCommand, useSetup, useZones } from '../ground/queries.ts';
import { ErrorNote } from '../parts/ErrorNote.tsx';
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
  const [text, setText] = useState('');
  const [temp, setTemp] = useState<string | null>(null);
  const [meter, setMeter] = useState<Method>('pin');
  const field = useRef<HTMLInputElement>(null);
  useKey(
    'l',
    useCallback(() => field.current?.focus(), []),
  );
  const log = useCommand(
    (body: View<'ReadingsDto'>, headers) =>
      ask(client.POST('/api/lots/{id}/readings', { params: { path: { id: lot.id } }, body, headers })),
    () => {
      setText('');
      onLogged?.();
    },
  );
  const shownTemp = temp ?? roomTempC?.toFixed(1) ?? '20';
  const woodTempC = Number(shownTemp.replace(',', '.'));
  const tempFits = shownTemp.trim() !== '' && woodTempC >= -20 && woodTempC <= 60;
  const reads = setup.data?.meters.find((m) => m.species === lot.species);
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
  const submit = () => log.mutate({ version: lot.version, text, woodTempC, meter });
  return (
    <Stack
      component="form"
      spacing={1.5}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        if (ready) submit();
      }}
    >
      <QuickEntry
        label="Readings"
        text={text}
        onChange={setText}
        parsed={parsed}
        band={lot.band}
        unit="%"
        hint={SESSION_HINTS[meter]}
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
        <TextField
          label="Wood temperature, °C"
          value={shownTemp}
          onChange={(event) => setTemp(event.target.value)}
          error={!tempFits}
          sx={{ width: 170 }}
        />
        <TextField
          select
          label="Measured by"
          value={meter}
          onChange={(event) => setMeter(METHODS.find((m) => m === event.target.value) ?? 'pin')}
          sx={{ width: 150 }}
        >
          {METHODS.map((m) => (
            <MenuItem key={m} value={m}>
              {m}
            </MenuItem>
          ))}
        </TextField>
        <Button type="submit" variant="contained" disabled={!ready} loading={log.isPending}>
          Log session
        </Button>
      </Stack>
      {log.error && <ErrorNote error={log.error} />}
    </Stack>
  );
}
