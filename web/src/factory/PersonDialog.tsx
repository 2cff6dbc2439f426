import {
  Autocomplete,
  Button,
  Checkbox,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  FormControlLabel,
  MenuItem,
  Stack,
  TextField,
  Typography,
} from '@mui/material';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand, useSetup } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { MONO } from '../ground/theme.ts';
import { ErrorNote } from '../parts/ErrorNote.tsx';

const ROLES = ['viewer', 'operator', 'lead', 'manager', 'admin'] as const;

interface Fields {
  login: string;
  name: string;
  role: (typeof ROLES)[number];
  skills: string[];
  password: string;
  active: boolean;
}

/** A person's role and skills; a new person gets a sign-in. */
export function PersonDialog({ person, onClose }: { person: View<'PersonView'> | null; onClose: () => void }) {
  const setup = useSetup();
  const { register, control, handleSubmit, formState } = useForm<Fields>({
    defaultValues: {
      login: person?.login ?? '',
      name: person?.name ?? '',
      role: person?.role ?? 'operator',
      skills: person?.skills ?? [],
      password: '',
      active: person?.active ?? true,
    },
  });
  const { errors } = formState;
  const { may } = useSession();
  const save = useCommand(
    ({ login, name, role, skills, password, active }: Fields, headers) =>
      person
        ? ask(
            client.PUT('/api/people/{id}', {
              params: { path: { id: person.id } },
              body: { version: person.version, name, role, skills, active },
              headers,
            }),
          )
        : ask(client.POST('/api/people', { body: { login, name, role, skills, password }, headers })),
    onClose,
  );
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="person-title">
      <form onSubmit={(event) => void handleSubmit((fields) => save.mutate(fields))(event)} noValidate>
        <DialogTitle id="person-title">{person ? person.name : 'Add a person'}</DialogTitle>
        <DialogContent>
          <Stack spacing={2} sx={{ pt: 1 }}>
            {!person && (
              <TextField
                label="Sign-in name"
                autoComplete="off"
                {...register('login', { required: 'Choose a sign-in name' })}
                error={!!errors.login}
                helperText={errors.login?.message}
              />
            )}
            <TextField
              label="Name"
              {...register('name', { required: 'Type the name' })}
              error={!!errors.name}
              helperText={errors.name?.message}
            />
            <Controller
              name="role"
              control={control}
              render={({ field }) => (
                <TextField {...field} select label="Role">
                  {ROLES.map((r) => (
                    <MenuItem key={r} value={r}>
                      {r}
                    </MenuItem>
                  ))}
                </TextField>
              )}
            />
            <Controller
              name="skills"
              control={control}
              render={({ field }) => (
                <Autocomplete
                  multiple
                  freeSolo
                  options={(setup.data?.skills ?? []).map((s) => s.skill)}
                  value={field.value}
                  onChange={(_, value) => field.onChange(value)}
                  renderInput={(params) => <TextField {...params} label="Skills" helperText="Choose, or type a new one and press Enter" />}
                />
              )}
            />
            {person ? (
              <Controller
                name="active"
                control={control}
                render={({ field }) => (
                  <FormControlLabel
                    control={<Checkbox checked={field.value} onChange={field.onChange} />}
                    label="Works here: may sign in"
                  />
                )}
              />
            ) : (
              <TextField
                label="First password"
                type="password"
                autoComplete="new-password"
                {...register('password', {
                  minLength: { value: 10, message: 'At least 10 characters' },
                  required: 'Choose a password',
                })}
                error={!!errors.password}
                helperText={errors.password?.message ?? 'A few unrelated words, 10 characters at least'}
              />
            )}
            {person?.active && may('manager') && <Badge personId={person.id} />}
            {person?.active && may('admin') && <NewPassword personId={person.id} name={person.name} />}
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

/** A code for somebody who has forgotten their password: shown once, since only a hash of it is kept. */
function NewPassword({ personId, name }: { personId: string; name: string }) {
  const make = useCommand(() => ask(client.POST('/api/people/{id}/reset', { params: { path: { id: personId } } })));
  if (make.data)
    return (
      <Typography role="status">
        Give {name} this code; it works once, within a day, and is not shown again:{' '}
        <Typography component="strong" sx={{ fontFamily: MONO, whiteSpace: 'nowrap' }}>
          {make.data.code}
        </Typography>
      </Typography>
    );
  return (
    <>
      <Button onClick={() => make.mutate(undefined)} loading={make.isPending} sx={{ alignSelf: 'flex-start' }}>
        Make a code for a new password
      </Button>
      {make.error && <ErrorNote error={make.error} />}
    </>
  );
}

/** The badge that lets somebody on at a station's tablet: scanned into the field, and kept as a hash. */
function Badge({ personId }: { personId: string }) {
  const [badge, setBadge] = useState('');
  const give = useCommand(
    (text: string | null) => ask(client.PUT('/api/people/{id}/badge', { params: { path: { id: personId } }, body: { badge: text } })),
    () => setBadge(''),
  );
  return (
    <>
      <Stack direction="row" spacing={1} sx={{ alignItems: 'flex-start' }}>
        <TextField
          label="Badge for the benches"
          value={badge}
          onChange={(event) => setBadge(event.target.value)}
          autoComplete="off"
          helperText={give.isSuccess ? 'Done; the one before counts no more.' : 'Scan a new one'}
        />
        <Button disabled={badge.trim().length < 8} loading={give.isPending} onClick={() => give.mutate(badge.trim())}>
          Give it
        </Button>
        <Button color="inherit" onClick={() => give.mutate(null)}>
          Take it away
        </Button>
      </Stack>
      {give.error && <ErrorNote error={give.error} />}
    </>
  );
}
