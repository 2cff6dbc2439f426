import { MOVEMENT_LIMITS, SPECIES, type MovementLimit, type Species } from '@ample-crane/core';
import { Box, Button, Link, MenuItem, Stack, TextField, Typography } from '@mui/material';
import type { ReactNode } from 'react';
import { useSearchParams } from 'react-router';
import { useSetup } from '../ground/queries.ts';
import { saveText } from '../ground/saveText.ts';
import { Figure } from '../parts/Answer.tsx';

export interface SumField {
  name: string;
  label: string;
  /** what stands there at first */
  value: string;
  /** a choice rather than a figure */
  options?: readonly string[] | ((factory: FactoryFigures) => readonly string[]);
  width?: number;
}

export type Inputs = Readonly<Record<string, string>>;

export interface SumResult {
  label: string;
  value: string;
  /** the value is a remark rather than a figure */
  remark?: boolean;
}

/** What sums take from the factory's settings. */
export interface FactoryFigures {
  movementLimits: readonly MovementLimit[];
  species: readonly Species[];
}

export interface SumDefinition {
  id: string;
  title: string;
  fields: readonly SumField[];
  /** formula in words or signs */
  formula: string;
  source: string;
  /** @throws RangeError with what is wrong, in words */
  work: (input: Inputs, number: (name: string) => number, factory: FactoryFigures) => readonly SumResult[];
  picture?: (input: Inputs, number: (name: string) => number, factory: FactoryFigures) => ReactNode;
  /** what can be saved of it, by the name of the file */
  files?: Readonly<Record<string, (input: Inputs, number: (name: string) => number) => { text: string; type: string }>>;
}

/** A figure as typed; a decimal comma is one. */
export const figure = (text: string | undefined): number =>
  text === undefined || text.trim() === '' ? NaN : Number(text.replace(',', '.'));

/** One calculator: its inputs are its address, so that it can be kept, sent and come back to. */
export function Sum({ sum }: { sum: SumDefinition }) {
  const setup = useSetup();
  const factory = { movementLimits: setup.data?.movementLimits ?? MOVEMENT_LIMITS, species: setup.data?.species ?? SPECIES };
  const [params, setParams] = useSearchParams();
  const input = Object.fromEntries(sum.fields.map((f) => [f.name, params.get(f.name) ?? f.value]));
  const number = (name: string) => {
    const value = figure(input[name]);
    if (!Number.isFinite(value)) throw new RangeError(`${sum.fields.find((f) => f.name === name)?.label ?? name}: type a figure`);
    return value;
  };
  let results: readonly SumResult[] = [];
  let problem: string | null = null;
  let picture: ReactNode = null;
  try {
    results = sum.work(input, number, factory);
    picture = sum.picture?.(input, number, factory);
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    problem = error.message;
  }
  const optionsOf = ({ options = [] }: SumField) => (typeof options === 'function' ? options(factory) : options);
  const set = (name: string, value: string) => setParams({ ...input, [name]: value }, { replace: true });
  return (
    <Box component="section" aria-label={sum.title}>
      <Typography variant="h2" sx={{ mb: 2 }}>
        {sum.title}
      </Typography>
      <Stack direction="row" spacing={1.5} useFlexGap sx={{ flexWrap: 'wrap', mb: 2 }}>
        {sum.fields.map((f) => (
          <TextField
            key={f.name}
            label={f.label}
            value={input[f.name]}
            onChange={(event) => set(f.name, event.target.value)}
            sx={{ width: f.width ?? 170 }}
            {...(f.options ? { select: true } : { slotProps: { htmlInput: { inputMode: 'decimal' } } })}
          >
            {optionsOf(f).map((o) => (
              <MenuItem key={o} value={o}>
                {o}
              </MenuItem>
            ))}
          </TextField>
        ))}
      </Stack>
      <Box role="status" sx={{ mb: 2 }}>
        {problem !== null ? (
          <Typography color="error">{problem}</Typography>
        ) : (
          results.map((r) => (
            <Typography key={r.label} sx={r.remark ? {} : { fontSize: '1.15rem' }}>
              {r.label}: {r.remark ? r.value : <Figure>{r.value}</Figure>}
            </Typography>
          ))
        )}
      </Box>
      {problem === null && sum.files && (
        <Stack direction="row" spacing={1} sx={{ mb: 1.5, flexWrap: 'wrap' }}>
          {Object.entries(sum.files).map(([name, make]) => (
            <Button
              key={name}
              variant="outlined"
              onClick={() => {
                const { text, type } = make(input, number);
                saveText(name, text, type);
              }}
            >
              {name}
            </Button>
          ))}
        </Stack>
      )}
      {picture}
      <Typography variant="body2" color="text.secondary" sx={{ mt: 2 }}>
        {sum.formula}
      </Typography>
      <Typography variant="body2" color="text.secondary">
        {sum.source}
      </Typography>
      <Typography variant="body2" sx={{ mt: 1 }}>
        <Link href={`/sums/${sum.id}?${new URLSearchParams(input).toString()}`}>Address of this sum</Link>
      </Typography>
    </Box>
  );
}
