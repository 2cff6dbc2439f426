import { Box, Button, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { Controller, useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { Section } from '../parts/Screen.tsx';
import { Exceptions } from './Exceptions.tsx';
import { FigureSheet } from './FigureSheet.tsx';
import { Kilns } from './Kilns.tsx';
import { LOTS_AT_ONCE, MoistureFields } from './MoistureFields.tsx';
import { MovementLimits } from './MovementLimits.tsx';

type Moisture = View<'MoistureDto'>;

/** What others have changed meanwhile comes in beside what is being typed. */
const KEEP_TYPED = { keepDirtyValues: true } as const;

/** Bands and gate rules of the wood room, limits of the booth, and the pattern of serials. */
export function Rules({ setup }: { setup: View<'SetupView'> }) {
  const { may } = useSession();
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: '3fr 2fr' }, gap: 4 }}>
      <Section title="When lumber is ready">
        <MoistureForm moisture={setup.moisture} seen={setup.tags.moisture} editable={may('manager')} />
      </Section>
      <Box>
        <Section title="Rules of their own">
          <Exceptions setup={setup} editable={may('manager')} />
        </Section>
        <Section title="How kilns and cabinets dry">
          <Kilns setup={setup} editable={may('manager')} />
        </Section>
        <Section title="How far joints may move">
          <MovementLimits setup={setup} editable={may('manager')} />
        </Section>
        <Section title="When the booth is fit to spray">
          <SprayLimits setup={setup} editable={may('manager')} />
        </Section>
        <Section title="How wood is bought">
          <WoodBuying setup={setup} editable={may('manager')} />
        </Section>
        <Section title="Serials">
          <SerialForm setup={setup} editable={may('manager')} />
        </Section>
      </Box>
    </Box>
  );
}

const inPercent = (share: number) => Math.round(share * 1000) / 10;

interface SheetProps {
  setup: View<'SetupView'>;
  editable: boolean;
}

const AIR = [
  { name: 'minTempC', label: 'Not colder than, °C', min: 0, max: 50 },
  { name: 'maxTempC', label: 'Not warmer than, °C', min: 0, max: 50 },
  { name: 'minHumidity', label: 'Not drier than, %', min: 0, max: 100 },
  { name: 'maxHumidity', label: 'Not damper than, %', min: 0, max: 100 },
  { name: 'dewMarginC', label: 'Above the dew point, °C', min: 0, max: 20 },
] as const;

/** The coating's data sheet decides: these are the factory's own. */
function SprayLimits({ setup: { spray, tags }, editable }: SheetProps) {
  const { minTempC, maxTempC, minHumidity, maxHumidity, dewMarginC } = spray;
  return (
    <FigureSheet
      figures={AIR}
      values={{ minTempC, maxTempC, dewMarginC, minHumidity: inPercent(minHumidity), maxHumidity: inPercent(maxHumidity) }}
      submit="Save the limits for spraying"
      changes="The next coat is judged by them, also of what is being sprayed. Coats that are logged stay as they are; gates of a route keep the limits written there."
      editable={editable}
      save={(said, headers) => {
        const body = { ...said, minHumidity: said.minHumidity / 100, maxHumidity: said.maxHumidity / 100, seen: tags.spray };
        return ask(client.PUT('/api/settings/spray', { body, headers }));
      }}
    />
  );
}

/** What stock reckons with when it says by when to buy. */
function WoodBuying({ setup: { woodBuying, tags }, editable }: SheetProps) {
  return (
    <FigureSheet
      figures={[{ name: 'deliveryDays', label: 'Days from buying to having', min: 0, max: 730, whole: true }]}
      values={woodBuying}
      submit="Save the delivery"
      changes="Stock says anew by when to buy each wood."
      editable={editable}
      save={(said, headers) => ask(client.PUT('/api/settings/wood-buying', { body: { ...said, seen: tags.woodBuying }, headers }))}
    />
  );
}

function MoistureForm({ moisture, seen, editable }: { moisture: Moisture; seen: string; editable: boolean }) {
  const { control, handleSubmit, formState } = useForm<Moisture>({ values: moisture, resetOptions: KEEP_TYPED });
  const save = useCommand((body: Moisture, headers) => ask(client.PUT('/api/settings/moisture', { body: { ...body, seen }, headers })));
  return (
    <form onSubmit={(event) => void handleSubmit((fields) => save.mutate(fields))(event)} noValidate>
      <Stack spacing={2}>
        <MoistureFields control={control} />
        <Typography variant="body2" color="text.secondary">
          A band that follows the shop keeps parts at the humidity where they will live. Two points of spread and one and a half between
          core and shell are where glued panels start to cup. {LOTS_AT_ONCE}
        </Typography>
        {save.error && <ErrorNote error={save.error} />}
        {editable && (
          <Button type="submit" variant="contained" sx={{ alignSelf: 'start' }} disabled={!formState.isDirty} loading={save.isPending}>
            Save moisture rules
          </Button>
        )}
      </Stack>
    </form>
  );
}

function SerialForm({ setup, editable }: { setup: View<'SetupView'>; editable: boolean }) {
  const { control, register, handleSubmit, formState } = useForm<View<'SerialDto'>>({ values: setup.serial, resetOptions: KEEP_TYPED });
  const save = useCommand((body: View<'SerialDto'>, headers) =>
    ask(client.PUT('/api/settings/serial', { body: { ...body, seen: setup.tags.serial }, headers })),
  );
  return (
    <form onSubmit={(event) => void handleSubmit((fields) => save.mutate(fields))(event)} noValidate>
      <Stack spacing={2}>
        <TextField label="Pattern" {...register('template')} helperText="{YYYY} {YY} {DDD} {GG} {WW} {MODEL} {SEQ3} {CHECK}" />
        <Controller
          name="reset"
          control={control}
          render={({ field }) => (
            <TextField {...field} select label="Sequence starts again each">
              {['day', 'week', 'year', 'never'].map((r) => (
                <MenuItem key={r} value={r}>
                  {r}
                </MenuItem>
              ))}
            </TextField>
          )}
        />
        <Typography>
          The next would look like {setup.serialExample}. A serial is given once, never edited and never used again: instruments that have
          one keep it.
        </Typography>
        {save.error && <ErrorNote error={save.error} />}
        {editable && (
          <Button type="submit" variant="contained" sx={{ alignSelf: 'start' }} disabled={!formState.isDirty} loading={save.isPending}>
            Save pattern
          </Button>
        )}
      </Stack>
    </form>
  );
}
