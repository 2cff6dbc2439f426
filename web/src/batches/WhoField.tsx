import { MenuItem, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import type { View } from '../ground/api.ts';
import { useSession } from '../ground/session.tsx';

type Person = View<'StepChoiceView'>;

/** Whom somebody may write work down for: a lead for anybody who can, everyone else for themselves. */
function useNameable(people: readonly Person[]): readonly Person[] {
  const { session, may } = useSession();
  return may('lead') ? people : people.filter((p) => p.id === session.personId);
}

/** Whoever is signed in, if they can; otherwise the first they may name. Empty where there is nobody. */
export function useWho(people: readonly Person[]): [string, (personId: string) => void] {
  const { session } = useSession();
  const nameable = useNameable(people);
  const [chosen, choose] = useState<string | null>(null);
  const usual = nameable.find((p) => p.id === session.personId) ?? nameable[0];
  const known = nameable.some((p) => p.id === chosen);
  return [known && chosen !== null ? chosen : (usual?.id ?? ''), choose];
}

interface Props {
  label: string;
  people: readonly Person[];
  value: string;
  onChange: (personId: string) => void;
}

export function WhoField({ label, people, value, onChange }: Props) {
  const nameable = useNameable(people);
  if (nameable.length === 0)
    return (
      <Typography sx={{ maxWidth: 420 }}>
        You are not signed off for this. It can be done by {people.map((p) => p.name).join(', ')}, signed in themselves, or written down by
        a lead.
      </Typography>
    );
  return (
    <TextField select label={label} value={value} onChange={(event) => onChange(event.target.value)} sx={{ minWidth: 220 }}>
      {nameable.map((p) => (
        <MenuItem key={p.id} value={p.id}>
          {p.name}
        </MenuItem>
      ))}
    </TextField>
  );
}
