import { ruleInWords, type Rule } from '@ample-crane/core';
import { Box, Button, Stack, Typography } from '@mui/material';
import { useState } from 'react';
import { useDesk } from './context.ts';
import { Choice } from '../parts/deskFields.tsx';
import { editorOf, RULE_EDITORS } from './rules/index.ts';
import type { Fields } from './rules/rule.ts';

const NAMES = Object.entries(RULE_EDITORS).map(([kind, { name }]) => [kind, name] as const);

/** The rules of a step's gate: each in words, opened to be changed. */
export function GateEditor() {
  const { route, step, readOnly, change } = useDesk();
  const [open, setOpen] = useState<number | null>(null);
  const characteristic = route.operations.flatMap((o) => o.characteristics ?? [])[0]?.id ?? '';
  const put = (index: number, rule: Rule) => change({ gate: step.gate.map((r, i) => (i === index ? rule : r)) });
  return (
    <>
      {step.gate.length === 0 && (
        <Typography variant="body2" color="text.secondary">
          Nothing: it goes on at once.
        </Typography>
      )}
      {step.gate.map((rule, i) => (
        <Box key={i} role="group" aria-label={`Rule ${i + 1}`}>
          <Stack direction="row" spacing={0.5} sx={{ alignItems: 'center' }}>
            <Typography sx={{ flex: 1 }}>{ruleInWords(rule)}</Typography>
            {!readOnly && (
              <>
                <Button onClick={() => setOpen(open === i ? null : i)} aria-expanded={open === i}>
                  {open === i ? 'Close' : 'Change'}
                </Button>
                <Button
                  color="error"
                  onClick={() => change({ gate: step.gate.filter((_, n) => n !== i) })}
                  aria-label={`Drop rule ${i + 1}`}
                >
                  Drop
                </Button>
              </>
            )}
          </Stack>
          {open === i && !readOnly && (
            <Stack spacing={1.25} sx={{ pl: 1.5, borderLeft: 2, borderColor: 'divider', py: 1 }}>
              <RuleFields rule={rule} onChange={(next) => put(i, next)} />
            </Stack>
          )}
        </Box>
      ))}
      {!readOnly && (
        <Choice
          label="Add a rule"
          value=""
          choices={NAMES}
          onChange={(kind) => {
            setOpen(step.gate.length);
            change({ gate: [...step.gate, editorOf({ kind: kind as Rule['kind'] }).begin(characteristic)] });
          }}
        />
      )}
    </>
  );
}

function RuleFields<Kind extends Rule['kind']>({ rule, onChange }: Fields<Kind>) {
  const { Fields } = editorOf<Kind>(rule);
  return <Fields rule={rule} onChange={onChange} />;
}
