import { Box, Button, Paper, Stack, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { ask, client } from '../ground/api.ts';
import { useCommand, useWelcome } from '../ground/queries.ts';

interface Fields {
  login: string;
  name: string;
  code: string;
  password: string;
}

/** Signing in; choosing a new password with a code; or, in a factory without people, making the first administrator. */
export function SignIn() {
  const welcome = useWelcome();
  const first = welcome.data?.needsFirstAdministrator === true;
  const { register, handleSubmit, formState } = useForm<Fields>({
    defaultValues: { login: '', name: '', code: '', password: '' },
  });
  const [hasCode, setHasCode] = useState(false);
  const enter = useCommand(({ login, name, code, password }: Fields) =>
    first
      ? ask(client.POST('/api/first-administrator', { body: { login, name, password } }))
      : hasCode
        ? ask(client.POST('/api/session/reset', { body: { login, code, password } }))
        : ask(client.POST('/api/session', { body: { login, password } })),
  );
  const isNew = first || hasCode;
  const { errors } = formState;
  return (
    <Box component="main" sx={{ minHeight: '100vh', display: 'grid', placeItems: 'center', p: 2 }}>
      <Paper sx={{ p: 4, width: 'min(420px, 100%)' }}>
        <form onSubmit={(event) => void handleSubmit((fields) => enter.mutate(fields))(event)} noValidate>
          <Stack spacing={2}>
            <Typography variant="h1">{first ? 'Set the factory up' : (welcome.data?.factory ?? 'Ample Crane')}</Typography>
            <Typography color="text.secondary">
              {first
                ? 'Nobody can sign in yet. Make the first administrator; everyone else is added in Setup.'
                : hasCode
                  ? 'An administrator has given you a code. It works once, within a day.'
                  : 'Sign in to see what can move today.'}
            </Typography>
            <TextField
              label="Sign-in name"
              autoComplete="username"
              autoFocus
              {...register('login', { required: 'Type your sign-in name' })}
              error={!!errors.login}
              helperText={errors.login?.message}
            />
            {first && (
              <TextField
                label="Your name"
                autoComplete="name"
                {...register('name', { required: 'Type your name' })}
                error={!!errors.name}
                helperText={errors.name?.message}
              />
            )}
            {hasCode && (
              <TextField
                label="Code"
                autoComplete="one-time-code"
                {...register('code', { required: 'Type the code' })}
                error={!!errors.code}
                helperText={errors.code?.message}
              />
            )}
            <TextField
              label={hasCode ? 'New password' : 'Password'}
              type="password"
              autoComplete={isNew ? 'new-password' : 'current-password'}
              {...register('password', {
                required: 'Type your password',
                ...(isNew ? { minLength: { value: 10, message: 'At least 10 characters' } } : {}),
              })}
              error={!!errors.password}
              helperText={errors.password?.message ?? (isNew ? 'A few unrelated words, 10 characters at least' : undefined)}
            />
            {enter.error && <ErrorNote error={enter.error} />}
            <Button type="submit" variant="contained" size="large" loading={enter.isPending}>
              {first ? 'Create and sign in' : hasCode ? 'Set the password and sign in' : 'Sign in'}
            </Button>
            {!first && (
              <Button
                size="small"
                onClick={() => {
                  setHasCode(!hasCode);
                  enter.reset();
                }}
              >
                {hasCode ? 'I know my password' : 'I have a code for a new password'}
              </Button>
            )}
            {welcome.data?.demo && (
              <Typography variant="body2" color="text.secondary">
                Demo factory: sign in as manager, lead, operator, viewer or admin. The password stands in the terminal and the README.
              </Typography>
            )}
          </Stack>
        </form>
      </Paper>
    </Box>
  );
}
