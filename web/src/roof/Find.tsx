import { codeOf } from '@ample-crane/core';
import { Autocomplete, Box, TextField } from '@mui/material';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useCallback, useRef, useState } from 'react';
import { useMatch, useNavigate } from 'react-router';
import { ask, client, problemOf, type View } from '../ground/api.ts';
import { useKey } from '../ground/keys.ts';
import { MONO } from '../ground/theme.ts';

type Named = Pick<View<'FoundView'>, 'kind' | 'id'>;

const PATHS: Record<Named['kind'], (id: string) => string> = {
  batch: (id) => `/batches/${encodeURIComponent(id)}`,
  lot: (id) => `/lots/${encodeURIComponent(id)}`,
  instrument: (id) => `/records/${encodeURIComponent(id)}`,
  order: (id) => `/orders?order=${encodeURIComponent(id)}`,
  carrier: (id) => `/carriers/${encodeURIComponent(id)}`,
  station: (code) => `/station/${encodeURIComponent(code)}`,
  person: (id) => `/setup?tab=People&person=${encodeURIComponent(id)}`,
};

const find = (text: string) => ask(client.GET('/api/find', { params: { query: { text } } }));

/** Opens what is named: a batch at a station in place, so that whoever stands there stays there; all else on its page. */
function useOpen(): (named: Named) => void {
  const navigate = useNavigate();
  const station = useMatch('/station/:code')?.params.code;
  return ({ kind, id }) =>
    kind === 'batch' && station !== undefined
      ? void navigate(`${PATHS.station(station)}?batch=${encodeURIComponent(id)}`, { replace: true })
      : void navigate(PATHS[kind](id));
}

/** The field that is scanned into, or typed into. A card's own code is opened by what it says, with network or without. */
export function Find() {
  const [text, setText] = useState('');
  const field = useRef<HTMLInputElement>(null);
  const go = useOpen();
  useKey(
    '.',
    useCallback(() => field.current?.focus(), []),
  );
  const code = codeOf(text);
  const wanted = code?.id ?? text.trim();
  const found = useQuery({ queryKey: ['find', wanted], queryFn: () => find(wanted), enabled: wanted !== '' });
  const open = (named: Named) => {
    go(named);
    setText('');
    field.current?.blur();
  };
  const lookUp = useMutation({
    mutationFn: find,
    onSuccess: ([first]) => {
      if (first) open(first);
    },
  });
  const said = wordsFor(lookUp);
  return (
    <Autocomplete
      freeSolo
      options={found.data ?? []}
      getOptionLabel={(option) => (typeof option === 'string' ? option : option.id)}
      filterOptions={(options) => options}
      inputValue={text}
      onInputChange={(_, value) => {
        setText(value);
        lookUp.reset();
      }}
      onChange={(_, choice) => {
        if (choice === null) return;
        if (typeof choice !== 'string') return open(choice);
        // A scanner ends with Enter before any list is shown.
        if (code) open(code);
        else if (wanted !== '') lookUp.mutate(wanted);
      }}
      value={null}
      renderOption={(props, option) => {
        const { key, ...rest } = props;
        return (
          <li key={key} {...rest}>
            <Box>
              <Box component="span" sx={{ fontFamily: MONO, mr: 1 }}>
                {option.id}
              </Box>{' '}
              {option.sentence}
            </Box>
          </li>
        );
      }}
      renderInput={(params) => (
        <TextField
          {...params}
          inputRef={field}
          label="Scan or find"
          placeholder="batch, lot, serial, rack…"
          error={said !== null}
          helperText={said}
        />
      )}
      sx={{ width: { xs: 'auto', sm: 200, md: 220, xl: 260 }, flex: { xs: '1 1 180px', sm: 'none' } }}
    />
  );
}

const LOOKED_THROUGH = 'batches, pieces, lots, boards, blanks, instruments, orders, carriers, stations and people';

/** What there is to say of a text that led nowhere. */
function wordsFor({
  data,
  error,
  variables = '',
}: {
  data?: readonly unknown[] | undefined;
  error: Error | null;
  variables?: string | undefined;
}) {
  if (error)
    return problemOf(error).status === 0
      ? 'The server cannot be reached; a batch card can be scanned all the same'
      : problemOf(error).detail;
  return data?.length === 0 ? `Nothing is called ${variables}, among ${LOOKED_THROUGH}` : null;
}
