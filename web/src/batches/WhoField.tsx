import { MenuItem, TextField, Typography } from '@mui/material';
import { useController, type Control, type FieldPathByValue, type FieldValues } from 'react-hook-form';
import type { View } from '../ground/api.ts';
import { useSession } from '../ground/session.tsx';

type Person = View<'StepChoiceView'>;

/** Whom somebody may write work down for: a lead for anybody who can, everyone else for themselves. */
function useNameable(people: readonly Person[]): readonly Person[] {
  const { session, may } = useSession();
  return may('lead') ? people : people.filter((p) => p.id === session.personId);
}

/**
 * Who it is by: whom a form names while they can do it; otherwise whoever is expected, or signed in, if they can;
 * otherwise the first who may be named. Empty where there is nobody.
 *
 * @param expectedId who had it in hand before
 */
export function useWho(people: readonly Person[], expectedId: string | null = null): (chosen: string) => string {
  const { session } = useSession();
  const nameable = useNameable(people);
  const named = (id: string | null) => nameable.find((p) => p.id === id);
  const usual = named(expectedId) ?? named(session.personId) ?? nameable[0];
  return (chosen) => (nameable.some((p) => p.id === chosen) ? chosen : (usual?.id ?? ''));
}

interface Props<Fields extends FieldValues> {
  control: Control<Fields>;
  name: FieldPathByValue<Fields, string>;
  label: string;
  people: readonly Person[];
  expectedId?: string | null;
}

/** Names who did it; empty in the form until somebody is chosen. */
export function WhoIn<Fields extends FieldValues>({ control, name, label, people, expectedId = null }: Props<Fields>) {
  const { field } = useController({ control, name });
  const { ref, ...bound } = field;
  const nameable = useNameable(people);
  const whoOf = useWho(people, expectedId);
  if (nameable.length === 0)
    return (
      <Typography sx={{ maxWidth: 420 }}>
        You are not signed off for this. It can be done by {people.map((p) => p.name).join(', ')}, signed in themselves, or written down by
        a lead.
      </Typography>
    );
  return (
    <TextField select label={label} {...bound} inputRef={ref} value={whoOf(field.value)} sx={{ minWidth: 220 }}>
      {nameable.map((p) => (
        <MenuItem key={p.id} value={p.id}>
          {p.name}
        </MenuItem>
      ))}
    </TextField>
  );
}
