import {
  Button,
  Checkbox,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  FormControlLabel,
  Stack,
  TextField,
  Typography,
} from '@mui/material';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { ask, client } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { Badge, GiveSignIn, NewPassword, RoleField, SignInFields } from './PersonAccount.tsx';
import { changedPersonOf, fieldsOf, newPersonOf, type Person, type PersonFields } from './personForm.ts';
import { PersonHours } from './PersonHours.tsx';
import { PersonSkills } from './PersonSkills.tsx';

/** Who somebody is: what they can, when they are there, and whether and how they sign in. */
export function PersonDialog({ person, onClose }: { person: Person | null; onClose: () => void }) {
  const { may, session } = useSession();
  const { register, control, handleSubmit, formState } = useForm<PersonFields>({ defaultValues: fieldsOf(person, session) });
  const { errors } = formState;
  const signsIn = useWatch({ control, name: 'signsIn' });
  const save = useCommand(
    (fields: PersonFields, headers) =>
      person
        ? ask(
            client.PUT('/api/people/{id}', {
              params: { path: { id: person.id } },
              body: changedPersonOf(fields, person, session.timeZone),
              headers,
            }),
          )
        : ask(client.POST('/api/people', { body: newPersonOf(fields), headers })),
    onClose,
  );
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="person-title">
      <form onSubmit={(event) => void handleSubmit((fields) => save.mutate(fields))(event)} noValidate>
        <DialogTitle id="person-title">{person ? person.name : 'Add a person'}</DialogTitle>
        <DialogContent>
          <Stack spacing={2} sx={{ pt: 1 }}>
            <TextField
              label="Name"
              {...register('name', { required: 'Type the name' })}
              error={!!errors.name}
              helperText={errors.name?.message}
            />
            {!person && <Check control={control} name="signsIn" label="Signs in: has a name and a password" />}
            {!person && signsIn && <SignInFields register={register} errors={errors} />}
            {(person ? person.role !== null : signsIn) && <RoleField control={control} />}
            <Typography variant="h3">Skills</Typography>
            <PersonSkills control={control} />
            {person && (
              <>
                <Typography variant="h3">When they are there</Typography>
                <PersonHours control={control} />
                <Check control={control} name="active" label={person.role === null ? 'Works here' : 'Works here: may sign in'} />
              </>
            )}
            {person?.active && may('manager') && <Badge personId={person.id} />}
            {person?.active && person.role === null && <GiveSignIn person={person} onDone={onClose} />}
            {person?.active && person.role !== null && may('admin') && <NewPassword personId={person.id} name={person.name} />}
            {person && (
              <Typography variant="body2" color="text.secondary">
                Work they are at goes on. Who may begin a step, who stands in and earliest dates follow at once.
              </Typography>
            )}
            {save.error && <ErrorNote error={save.error} />}
          </Stack>
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" loading={save.isPending}>
            Save
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}

interface CheckProps {
  control: ReturnType<typeof useForm<PersonFields>>['control'];
  name: 'signsIn' | 'active';
  label: string;
}

function Check({ control, name, label }: CheckProps) {
  return (
    <Controller
      name={name}
      control={control}
      render={({ field }) => (
        <FormControlLabel control={<Checkbox checked={field.value} onChange={(_, checked) => field.onChange(checked)} />} label={label} />
      )}
    />
  );
}
