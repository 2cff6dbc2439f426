import { MenuItem, TextField } from '@mui/material';
import { useState } from 'react';
import type { View } from '../app/api.ts';
import { useSession } from '../app/session.tsx';

type Person = View<'StepChoiceView'>;

/** Whoever is signed in, if they can; otherwise the first who can. */
export function useWho(people: readonly Person[]): [string, (personId: string) => void] {
  const { session } = useSession();
  const [chosen, choose] = useState<string | null>(null);
  const usual = people.find((p) => p.id === session.personId) ?? people[0];
  const known = people.some((p) => p.id === chosen);
  return [known && chosen !== null ? chosen : (usual?.id ?? ''), choose];
}

interface Props {
  label: string;
  people: readonly Person[];
  value: string;
  onChange: (personId: string) => void;
}

export function WhoField({ label, people, value, onChange }: Props) {
  return (
    <TextField select label={label} value={value} onChange={(event) => onChange(event.target.value)} sx={{ minWidth: 220 }}>
      {people.map((p) => (
        <MenuItem key={p.id} value={p.id}>
          {p.name}
        </MenuItem>
      ))}
    </TextField>
  );
}
