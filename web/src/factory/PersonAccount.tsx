import { Button, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { Controller, useForm, type Control, type FieldErrors, type UseFormRegister } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { MONO } from '../ground/theme.ts';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { TextIn, useTyped } from '../parts/fields.tsx';
import type { Person, PersonFields } from './personForm.ts';

const ROLES = ['viewer', 'operator', 'lead', 'manager', 'admin'] as const;

export function RoleField({ control }: { control: Control<PersonFields> }) {
  return (
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
  );
}

interface SignInProps<Fields extends { login: string; password: string }> {
  register: UseFormRegister<Fields>;
  errors: FieldErrors<{ login: string; password: string }>;
}

/** The name and first password of somebody who is to sign in. */
export function SignInFields({ register, errors }: SignInProps<PersonFields>) {
  return (
    <>
      <TextField
        label="Sign-in name"
        autoComplete="off"
        {...register('login', { required: 'Choose a sign-in name' })}
        error={!!errors.login}
        helperText={errors.login?.message}
      />
      <TextField
        label="First password"
        type="password"
        autoComplete="new-password"
        {...register('password', { minLength: { value: 10, message: 'At least 10 characters' }, required: 'Choose a password' })}
        error={!!errors.password}
        helperText={errors.password?.message ?? 'A few unrelated words, 10 characters at least'}
      />
    </>
  );
}

/** Gives a sign-in to somebody who works here without one. */
export function GiveSignIn({ person, onDone }: { person: Person; onDone: () => void }) {
  const [open, setOpen] = useState(false);
  const { register, control, handleSubmit, formState } = useForm<PersonFields>({
    defaultValues: { login: '', password: '', role: 'operator' },
  });
  const give = useCommand(
    (body: View<'GiveAccountDto'>, headers) =>
      ask(client.POST('/api/people/{id}/account', { params: { path: { id: person.id } }, body, headers })),
    onDone,
  );
  if (!open)
    return (
      <Button onClick={() => setOpen(true)} sx={{ alignSelf: 'flex-start' }}>
        Give them a sign-in
      </Button>
    );
  const submit = handleSubmit(({ login, password, role }) => give.mutate({ login, password, role, version: person.version }));
  return (
    <Stack spacing={2} role="group" aria-label="A sign-in">
      <SignInFields register={register} errors={formState.errors} />
      <RoleField control={control} />
      <Button variant="outlined" loading={give.isPending} onClick={() => void submit()} sx={{ alignSelf: 'flex-start' }}>
        Give it
      </Button>
      {give.error && <ErrorNote error={give.error} />}
    </Stack>
  );
}

/** A code for somebody who has forgotten their password: shown once, since only a hash of it is kept. */
export function NewPassword({ personId, name }: { personId: string; name: string }) {
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
export function Badge({ personId }: { personId: string }) {
  const { control, reset } = useForm({ defaultValues: { badge: '' } });
  const { badge } = useTyped(control);
  const give = useCommand(
    (text: string | null) => ask(client.PUT('/api/people/{id}/badge', { params: { path: { id: personId } }, body: { badge: text } })),
    () => reset(),
  );
  return (
    <>
      <Stack direction="row" spacing={1} sx={{ alignItems: 'flex-start' }}>
        <TextIn
          control={control}
          name="badge"
          label="Badge for the benches"
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
