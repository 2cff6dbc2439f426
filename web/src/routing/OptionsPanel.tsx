import { freeId, type Route, type RouteOption } from '@ample-crane/core';
import { Box, Button, Stack, Typography } from '@mui/material';
import { TextLine } from '../parts/deskFields.tsx';

/** What can be chosen on an order of this model; the first value is the usual one. */
export function OptionsPanel({ route, readOnly, onRoute }: { route: Route; readOnly: boolean; onRoute: (route: Route) => void }) {
  const options = route.options ?? [];
  const put = (next: readonly RouteOption[]) => {
    const { options: was, ...rest } = route;
    onRoute(next.length === 0 ? rest : { ...rest, options: next });
  };
  const edit = (i: number, option: RouteOption) => put(options.map((o, at) => (at === i ? option : o)));
  return (
    <Stack spacing={2} component="section" aria-label="Options of an order">
      <Typography variant="h2">Options of an order</Typography>
      <Typography variant="body2" color="text.secondary">
        Steps say under “Only for some orders” which choices they are for. The first value is the usual one.
      </Typography>
      {options.map((option, i) => (
        <Box key={option.id} role="group" aria-label={`Option ${option.name}`} sx={{ pl: 1.5, borderLeft: 2, borderColor: 'divider' }}>
          <Stack spacing={1.25}>
            <TextLine label="Option" value={option.name} readOnly={readOnly} onChange={(name) => edit(i, { ...option, name })} />
            {option.values.map((value, n) => (
              <Stack key={value.id} direction="row" spacing={1}>
                <TextLine
                  label={n === 0 ? 'Value (usual)' : 'Value'}
                  value={value.name}
                  readOnly={readOnly}
                  onChange={(name) => edit(i, { ...option, values: option.values.map((v, at) => (at === n ? { ...v, name } : v)) })}
                />
                {!readOnly && option.values.length > 2 && (
                  <Button color="error" onClick={() => edit(i, { ...option, values: option.values.filter((_, at) => at !== n) })}>
                    Drop
                  </Button>
                )}
              </Stack>
            ))}
            {!readOnly && (
              <Stack direction="row" spacing={1}>
                <Button onClick={() => edit(i, { ...option, values: [...option.values, newValue(option.values, 'another')] })}>
                  Add a value
                </Button>
                <Button color="error" onClick={() => put(options.filter((_, at) => at !== i))}>
                  Drop this option
                </Button>
              </Stack>
            )}
          </Stack>
        </Box>
      ))}
      {options.length === 0 && <Typography variant="body2">Every order is built alike.</Typography>}
      {!readOnly && (
        <Button sx={{ alignSelf: 'start' }} onClick={() => put([...options, newOption(options)])}>
          Add an option
        </Button>
      )}
    </Stack>
  );
}

/** An id that no other of them has. */
function unlike(taken: readonly { id: string }[], name: string): string {
  const operations = taken.map(({ id }) => ({ id })) as unknown as Route['operations'];
  return freeId({ id: '', modelId: '', version: 0, operations }, name);
}

const newValue = (values: RouteOption['values'], name: string) => ({ id: unlike(values, name), name });

const newOption = (options: readonly RouteOption[]): RouteOption => ({
  id: unlike(options, 'option'),
  name: 'New option',
  values: [
    { id: 'no', name: 'no' },
    { id: 'yes', name: 'yes' },
  ],
});
