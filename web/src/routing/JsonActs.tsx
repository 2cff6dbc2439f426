import type { Route } from '@ample-crane/core';
import { Button, Typography } from '@mui/material';
import { useRef, useState, type ChangeEvent } from 'react';
import { saveText } from '../ground/saveText.ts';

const MAX_BYTES = 2_000_000;

/** A route as a file: out in plain JSON, and in again where it may be edited. */
export function JsonActs({ route, onRoute }: { route: Route; onRoute?: (route: Route) => void }) {
  const input = useRef<HTMLInputElement>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const download = () => {
    const { operations, options } = route;
    saveText(`route-${route.id}.json`, JSON.stringify({ operations, options }, null, 2), 'application/json');
  };
  const load = async (event: ChangeEvent<HTMLInputElement>) => {
    const [file] = event.target.files ?? [];
    event.target.value = '';
    if (!file) return;
    setWrong(null);
    try {
      if (file.size > MAX_BYTES) throw new Error('it is too large for a route');
      const given = JSON.parse(await file.text()) as Partial<Route>;
      if (!Array.isArray(given.operations)) throw new Error('it holds no operations');
      onRoute?.({ ...route, operations: given.operations, ...(given.options ? { options: given.options } : {}) });
    } catch (error) {
      setWrong(`${file.name} cannot be taken: ${error instanceof Error ? error.message : 'it is not JSON'}`);
    }
  };
  return (
    <>
      <Button onClick={download}>Save as a file</Button>
      {onRoute && (
        <>
          <Button onClick={() => input.current?.click()}>Load from a file</Button>
          <input ref={input} type="file" accept="application/json,.json" hidden onChange={(event) => void load(event)} />
        </>
      )}
      {wrong !== null && (
        <Typography role="alert" color="error">
          {wrong}
        </Typography>
      )}
    </>
  );
}
