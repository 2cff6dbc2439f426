import { Autocomplete, Box, Button, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { Controller, useFieldArray, type Control } from 'react-hook-form';
import { useSetup } from '../ground/queries.ts';
import type { PersonFields } from './personForm.ts';
import { DayIn } from '../parts/DayIn.tsx';

const LEVELS = [
  [1, 'learns it'],
  [2, 'does it alone'],
  [3, 'teaches it'],
] as const;
const USUAL_LEVEL = 2;

/** What somebody can do: how well, and from and until which day. */
export function PersonSkills({ control }: { control: Control<PersonFields> }) {
  const { fields, append, remove } = useFieldArray({ control, name: 'skills' });
  const known = (useSetup().data?.skills ?? []).map((s) => s.skill);
  const [typed, setTyped] = useState('');
  const add = (skill: string) => {
    const name = skill.trim();
    if (name !== '' && !fields.some((f) => f.skill === name)) append({ skill: name, level: USUAL_LEVEL, since: '', until: '' });
    setTyped('');
  };
  return (
    <Stack spacing={1.5} role="group" aria-label="Skills">
      {fields.map(({ id, skill }, i) => (
        <Box key={id} role="group" aria-label={skill} sx={{ borderLeft: 2, borderColor: 'divider', pl: 1.5 }}>
          <Stack direction="row" sx={{ alignItems: 'center', justifyContent: 'space-between', mb: 1 }}>
            <Typography sx={{ fontWeight: 700 }}>{skill}</Typography>
            <Button color="error" onClick={() => remove(i)} aria-label={`Drop ${skill}`}>
              Drop
            </Button>
          </Stack>
          <Stack direction={{ xs: 'column', sm: 'row' }} spacing={1}>
            <Controller
              name={`skills.${i}.level`}
              control={control}
              render={({ field }) => (
                <TextField {...field} select label="Level" fullWidth>
                  {LEVELS.map(([level, words]) => (
                    <MenuItem key={level} value={level}>
                      {words}
                    </MenuItem>
                  ))}
                </TextField>
              )}
            />
            {(['since', 'until'] as const).map((bound) => (
              <DayIn key={bound} control={control} name={`skills.${i}.${bound}`} label={bound === 'since' ? 'Since' : 'Until'} />
            ))}
          </Stack>
        </Box>
      ))}
      <Autocomplete
        freeSolo
        options={known.filter((skill) => !fields.some((f) => f.skill === skill))}
        value={null}
        inputValue={typed}
        onInputChange={(_, text, reason) => reason === 'input' && setTyped(text)}
        onChange={(_, chosen) => chosen !== null && add(chosen)}
        // Enter takes the skill in; it does not send the form.
        onKeyDown={(event) => event.key === 'Enter' && event.preventDefault()}
        renderInput={(params) => <TextField {...params} label="Add a skill" helperText="Choose one, or type a new one and press Enter" />}
      />
    </Stack>
  );
}
