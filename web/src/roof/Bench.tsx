import { Autocomplete, Box, Button, Stack, TextField, Typography } from '@mui/material';
import { useEffect, useState, type ReactNode } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { FormDialog } from '../parts/FormDialog.tsx';
import { ask, client, type View } from '../ground/api.ts';
import { setBenchPerson, touchBench, useBenchPerson } from '../ground/benchPerson.ts';
import { forgetPin, isPinKept, keepPin } from '../ground/offlinePin.ts';
import { answerPin, usePinAsked } from '../ground/pinAsked.ts';
import { useBench, useCommand } from '../ground/queries.ts';
import { SessionOf, useSession } from '../ground/session.tsx';
import { useSending } from '../ground/stationOutbox.ts';

/** At a tablet that is signed in as a station, acts are those of whoever has said that they are there. */
export function BenchPeople({ children }: { children: ReactNode }) {
  const { session } = useSession();
  return session.station === null ? children : <AtStation>{children}</AtStation>;
}

function AtStation({ children }: { children: ReactNode }) {
  const { session } = useSession();
  const holders = useBench().data?.holders ?? [];
  const chosen = useBenchPerson();
  const person = holders.find((h) => h.personId === chosen);
  useEffect(() => {
    window.addEventListener('pointerdown', touchBench);
    return () => window.removeEventListener('pointerdown', touchBench);
  }, []);
  useSending(holders.map((h) => h.personId));
  const acting = person ? { personId: person.personId, name: person.name, role: 'operator' as const } : {};
  return <SessionOf session={{ ...session, ...acting }}>{children}</SessionOf>;
}

/** Who stands at this tablet: one touch for those let on, name and PIN or badge for somebody else. */
export function BenchBar() {
  const { session } = useSession();
  const bench = useBench();
  const chosen = useBenchPerson();
  const [asking, setAsking] = useState(false);
  const letOff = useCommand((personId: string) => ask(client.DELETE('/api/bench/{personId}', { params: { path: { personId } } })));
  const holders = bench.data?.holders ?? [];
  const person = holders.find((h) => h.personId === chosen);
  return (
    <Box
      component="section"
      aria-label="Who is at this station"
      sx={{ px: { xs: 1, md: 2 }, py: 1, borderBottom: 1, borderColor: 'divider', bgcolor: 'background.paper' }}
    >
      <Stack direction="row" useFlexGap spacing={1} sx={{ alignItems: 'center', flexWrap: 'wrap', '& button': { minHeight: 48 } }}>
        <Typography sx={{ fontWeight: 500 }}>{person ? `${session.station?.name ?? ''}, worked by` : 'Who is it?'}</Typography>
        {holders.map((h) => (
          <Button
            key={h.personId}
            variant={h.personId === chosen ? 'contained' : 'outlined'}
            aria-pressed={h.personId === chosen}
            onClick={() => setBenchPerson(h.personId)}
          >
            {h.name}
          </Button>
        ))}
        <Button onClick={() => setAsking(true)}>{holders.length === 0 ? 'Say who you are' : 'Somebody else'}</Button>
        {person && (
          <Button
            color="inherit"
            onClick={() => {
              setBenchPerson(null);
              forgetPin(person.personId);
              letOff.mutate(person.personId);
            }}
          >
            {person.name} leaves
          </Button>
        )}
      </Stack>
      {asking && <LetOnDialog people={bench.data?.people ?? []} onClose={() => setAsking(false)} />}
      <OfflinePin holders={holders} />
    </Box>
  );
}

interface LetOn {
  personId: string;
  pin: string;
  badge: string;
}

function LetOnDialog({ people, onClose }: { people: readonly View<'BenchPersonView'>[]; onClose: () => void }) {
  const { register, handleSubmit, setValue, control } = useForm<LetOn>({ defaultValues: { personId: '', pin: '', badge: '' } });
  const letOn = useCommand(async ({ personId, pin, badge }: LetOn) => {
    const holder = await ask(client.POST('/api/bench', { body: badge.trim() === '' ? { personId, pin } : { badge: badge.trim() } }));
    if (badge.trim() === '') await keepPin(holder.personId, pin, holder.untilMs);
    return holder;
  });
  const submit = (fields: LetOn) =>
    letOn.mutate(fields, {
      onSuccess: ({ personId }) => {
        setBenchPerson(personId);
        onClose();
      },
    });
  const personId = useWatch({ control, name: 'personId' });
  const chosen = people.find((p) => p.id === personId) ?? null;
  return (
    <FormDialog
      title="Who is it?"
      submit="That is me"
      pending={letOn.isPending}
      error={letOn.error}
      onSubmit={() => void handleSubmit(submit)()}
      onClose={onClose}
    >
      <Typography>For this shift, on this tablet. Sign-offs ask for the PIN again.</Typography>
      <Autocomplete
        options={people}
        value={chosen}
        getOptionLabel={(p) => p.name}
        getOptionKey={(p) => p.id}
        onChange={(_, p) => setValue('personId', p?.id ?? '')}
        renderInput={(params) => <TextField {...params} label="Name" />}
      />
      <TextField label="PIN" type="password" autoComplete="off" slotProps={{ htmlInput: { inputMode: 'numeric' } }} {...register('pin')} />
      <TextField label="or scan a badge" type="password" autoComplete="off" {...register('badge')} />
      {people.length === 0 && (
        <Typography color="text.secondary">
          Nobody has a PIN yet: everybody chooses their own under “Password, PIN and sessions”, signed in themselves.
        </Typography>
      )}
    </FormDialog>
  );
}

/** Without network each act asks its holder's PIN again; the tablet tells by what it kept. */
function OfflinePin({ holders }: { holders: readonly View<'HolderView'>[] }) {
  const asked = usePinAsked();
  const { register, handleSubmit, reset } = useForm({ defaultValues: { pin: '' } });
  const [wrong, setWrong] = useState(false);
  const [pending, setPending] = useState(false);
  if (asked === null) return null;
  const close = (confirmed: boolean) => {
    setWrong(false);
    reset();
    answerPin(confirmed);
  };
  const check = async ({ pin }: { pin: string }) => {
    setPending(true);
    const right = await isPinKept(asked, pin, Date.now());
    setPending(false);
    if (right) close(true);
    else setWrong(true);
  };
  return (
    <FormDialog
      title={`No network: ${holders.find((h) => h.personId === asked)?.name ?? asked}, your PIN`}
      submit="Log it"
      pending={pending}
      error={null}
      onSubmit={() => void handleSubmit(check)()}
      onClose={() => close(false)}
    >
      <TextField
        autoFocus
        label="PIN"
        type="password"
        autoComplete="off"
        slotProps={{ htmlInput: { inputMode: 'numeric' } }}
        {...register('pin')}
        error={wrong}
        helperText={wrong ? 'That is not the PIN this tablet knows; after five tries, or with a badge, only the network helps.' : undefined}
      />
    </FormDialog>
  );
}
