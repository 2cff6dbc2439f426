import { Autocomplete, Button, Stack, TextField, Typography } from '@mui/material';
import { Controller, useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { ChoiceIn, TextIn } from '../parts/fields.tsx';

/** What the factory is called, which of its rooms are the wood room and the booth, and its money. */
export function House({ setup: { house, zones, tags } }: { setup: View<'SetupView'> }) {
  const { may } = useSession();
  const { control, handleSubmit, formState } = useForm({ values: house, disabled: !may('manager') });
  const save = useCommand((body: View<'HouseDto'>, headers) =>
    ask(client.PUT('/api/settings/house', { body: { ...body, seen: tags.house }, headers })),
  );
  const rooms = zones.map((z) => [z.id, z.name] as const);
  const none = zones.length === 0;
  return (
    <Stack
      component="form"
      noValidate
      spacing={2}
      sx={{ maxWidth: 420 }}
      onSubmit={(event) => void handleSubmit((f) => save.mutate(f))(event)}
    >
      <TextIn control={control} name="name" label="Name of the factory" rules={{ required: 'Needed' }} />
      {none && <Typography>Add a room under Stations first: then say which is the wood room and which the booth.</Typography>}
      <ChoiceIn
        control={control}
        name="woodRoomZoneId"
        label="Wood room"
        choices={rooms}
        helperText="Its air sets the band of a shop that follows its own"
      />
      <ChoiceIn control={control} name="boothZoneId" label="Spray booth" choices={rooms} helperText="Its air says whether may be sprayed" />
      <Controller
        control={control}
        name="currency"
        render={({ field: { ref, value, onChange, disabled } }) => (
          <Autocomplete
            options={Intl.supportedValuesOf('currency')}
            value={value}
            disableClearable
            disabled={disabled === true}
            onChange={(_, currency) => onChange(currency)}
            renderInput={(props) => (
              <TextField {...props} inputRef={ref} label="Money" helperText="What options add to a price is told in it" />
            )}
          />
        )}
      />
      <Typography color="text.secondary">
        Lots that are drying are judged by the other room’s air at once, and spraying by the other booth’s; what was released or sprayed
        stays so. Prices keep their figures in another money.
      </Typography>
      {save.error && <ErrorNote error={save.error} />}
      {may('manager') && (
        <Button
          type="submit"
          variant="contained"
          sx={{ alignSelf: 'start' }}
          disabled={!formState.isDirty || none}
          loading={save.isPending}
        >
          Save
        </Button>
      )}
    </Stack>
  );
}
