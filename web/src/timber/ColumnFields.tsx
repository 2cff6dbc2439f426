import { MenuItem, Stack, TextField } from '@mui/material';

export interface Field {
  name: string;
  label: string;
  value: string;
  options: readonly (readonly [string, string])[];
}

/** Which of a file's columns says what, and in which units. */
export function ColumnFields({ fields, onChange }: { fields: readonly Field[]; onChange: (name: string, value: string) => void }) {
  return (
    <Stack direction="row" useFlexGap spacing={1.5} sx={{ flexWrap: 'wrap' }}>
      {fields.map((f) => (
        <TextField
          key={f.name}
          select
          label={f.label}
          value={f.value}
          onChange={(event) => onChange(f.name, event.target.value)}
          sx={{ minWidth: 150 }}
        >
          {f.options.map(([value, text]) => (
            <MenuItem key={value} value={value}>
              {text}
            </MenuItem>
          ))}
        </TextField>
      ))}
    </Stack>
  );
}

/** A file's columns as choices, with nothing first where a column may be missing. */
export const columnsOf = (header: readonly string[], none?: string) => [
  ...(none === undefined ? [] : [['', none] as const]),
  ...header.map((h) => [h, h] as const),
];
