import { Box, Button, Paper, Stack, TextField, Typography } from '@mui/material';
import { useForm } from 'react-hook-form';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { ask, client } from './api.ts';
import { useCommand, useWelcome } from './queries.ts';

interface Fields {
  login: string;
  name: string;
  password: string;
}

/** Signing in; or, in a factory without people, making the first administrator. */
export function SignIn() {
  const welcome = useWelcome();
  const first = welcome.data?.needsFirstAdministrator === true;
  const { register, handleSubmit, formState } = useForm<Fields>({
    defaultValues: { login: '', name: '', password: '' },
  });
  const enter = useCommand(({ login, name, password }: Fields) =>
    first
      ? ask(client.POST('/api/first-administrator', { body: { login, name, password } }))
      : ask(client.POST('/api/session', { body: { login, password } })),
  );
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
            <TextField
              label="Password"
              type="password"
              autoComplete={first ? 'new-password' : 'current-password'}
              {...register('password', {
                required: 'Type your password',
                ...(first ? { minLength: { value: 10, message: 'At least 10 characters' } } : {}),
              })}
              error={!!errors.password}
              helperText={errors.password?.message ?? (first ? 'At least 10 characters' : undefined)}
            />
            {enter.error && <ErrorNote error={enter.error} />}
            <Button type="submit" variant="contained" size="large" loading={enter.isPending}>
              {first ? 'Create and sign in' : 'Sign in'}
            </Button>
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
