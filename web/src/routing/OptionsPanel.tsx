import { freeId, LOOKS, startedComponents, type Component, type OptionValue, type Route, type RouteOption } from '@ample-crane/core';
import { Box, Button, Stack, Typography } from '@mui/material';
import { useState } from 'react';
import { Choice, FigureField, TextLine } from '../parts/deskFields.tsx';

interface Props {
  route: Route;
  readOnly: boolean;
  /** woods on record */
  species: readonly string[];
  /** ISO 4217 */
  currency: string;
  onRoute: (route: Route) => void;
}

/** What can be chosen on an order of this model; the first value is the usual one. */
export function OptionsPanel({ route, readOnly, species, currency, onRoute }: Props) {
  const options = route.options ?? [];
  const put = (next: readonly RouteOption[]) => {
    const { options: was, ...rest } = route;
    onRoute(next.length === 0 ? rest : { ...rest, options: next });
  };
  const edit = (i: number, option: RouteOption) => put(options.map((o, at) => (at === i ? option : o)));
  const shared = { readOnly, species, currency, parts: startedComponents(route) };
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
              <Value
                key={value.id}
                {...shared}
                value={value}
                usual={n === 0}
                onChange={(next) => edit(i, { ...option, values: option.values.map((v, at) => (at === n ? next : v)) })}
                onDrop={
                  option.values.length > 2 ? () => edit(i, { ...option, values: option.values.filter((_, at) => at !== n) }) : undefined
                }
              />
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

interface ValueProps extends Pick<Props, 'readOnly' | 'species' | 'currency'> {
  value: OptionValue;
  usual: boolean;
  /** parts that are begun apart, of a wood of their own */
  parts: readonly Component[];
  onChange: (value: OptionValue) => void;
  onDrop: (() => void) | undefined;
}

/** A value; what it changes besides steps (the wood of a part, how it shows, the price) stands folded below it. */
function Value({ value, usual, parts, readOnly, species, currency, onChange, onDrop }: ValueProps) {
  const { wood = {}, look, extraPrice } = value;
  const [open, setOpen] = useState(Object.keys(wood).length > 0 || look !== undefined || extraPrice !== undefined);
  const put = (more: {
    wood?: OptionValue['wood'] | undefined;
    look?: OptionValue['look'] | undefined;
    extraPrice?: number | undefined;
  }) => {
    const next = { wood: value.wood, look, extraPrice, ...more };
    onChange({
      id: value.id,
      name: value.name,
      ...(next.wood && Object.keys(next.wood).length > 0 ? { wood: next.wood } : {}),
      ...(next.look ? { look: next.look } : {}),
      ...(next.extraPrice ? { extraPrice: next.extraPrice } : {}),
    });
  };
  return (
    <Stack spacing={1} role="group" aria-label={`Value ${value.name}`}>
      <Stack direction="row" spacing={1}>
        <TextLine
          label={usual ? 'Value (usual)' : 'Value'}
          value={value.name}
          readOnly={readOnly}
          onChange={(name) => onChange({ ...value, name })}
        />
        <Button aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? 'Fold' : 'More'}
        </Button>
        {!readOnly && onDrop && (
          <Button color="error" onClick={onDrop}>
            Drop
          </Button>
        )}
      </Stack>
      {open && (
        <Stack spacing={1} sx={{ pl: 1.5 }}>
          {parts.map((part) => (
            <Choice
              key={part}
              label={`Wood of the ${part}`}
              value={wood[part] ?? ''}
              readOnly={readOnly}
              empty="the model’s usual"
              choices={species.map((name) => [name, name] as const)}
              onChange={(name) => {
                const { [part]: was, ...rest } = wood;
                put({ wood: name === '' ? rest : { ...rest, [part]: name } });
              }}
            />
          ))}
          <Choice
            label="The wood"
            value={look ?? ''}
            readOnly={readOnly}
            empty="is not decided by this"
            choices={[
              ['clear', 'shows through the finish'],
              ['solid', 'lies under a solid colour'],
            ]}
            onChange={(next) => put({ look: LOOKS.find((l) => l === next) })}
          />
          <FigureField
            label={`Adds to the price, ${currency}`}
            value={extraPrice}
            readOnly={readOnly}
            optional
            onChange={(price) => put({ extraPrice: price })}
          />
        </Stack>
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
