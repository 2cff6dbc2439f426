import { DEFAULT_CURE_LAW, DEFAULT_SPRAY_LIMITS, ruleInWords, type Rule } from '@ample-crane/core';
import { Box, Button, Stack, Typography } from '@mui/material';
import { useState } from 'react';
import { useDesk } from './context.ts';
import { Choice, FigureField, TextLine } from './fields.tsx';

const RULE_NAMES: readonly (readonly [Rule['kind'], string])[] = [
  ['elapsed', 'so much time'],
  ['equivalent', 'so much time at a temperature'],
  ['inBand', 'measures in a band'],
  ['spread', 'measures close together'],
  ['gradient', 'core and shell alike'],
  ['stable', 'no longer changing'],
  ['window', 'the window after the last coat'],
  ['climate', 'air fit to spray'],
  ['signOff', 'somebody’s acceptance'],
  ['parts', 'a complete kit'],
];

function newRule(kind: Rule['kind'], characteristic: string): Rule {
  switch (kind) {
    case 'elapsed':
      return { kind, what: 'Waited', minimumMinutes: 24 * 60 };
    case 'equivalent':
      return { kind, what: 'Cured', minimumDays: 5, law: DEFAULT_CURE_LAW };
    case 'inBand':
      return { kind, what: 'measures', characteristic, low: 0, high: 1, needed: 1, unit: '', tooLow: 'Too low', tooHigh: 'Too high' };
    case 'spread':
      return { kind, limit: 2, unit: '%', characteristic };
    case 'gradient':
      return { kind, limit: 1.5, shell: characteristic, core: characteristic };
    case 'stable':
      return { kind, limitPerDay: 0.05, windowDays: 14, characteristic };
    case 'window':
      return { kind, minimumMinutes: 20, maximumMinutes: 24 * 60, afterwards: 'Scuff sand' };
    case 'climate':
      return { kind, limits: DEFAULT_SPRAY_LIMITS };
    case 'signOff':
      return { kind, skill: '' };
    case 'parts':
      return { kind };
  }
}

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
          choices={RULE_NAMES}
          onChange={(kind) => {
            setOpen(step.gate.length);
            change({ gate: [...step.gate, newRule(kind as Rule['kind'], characteristic)] });
          }}
        />
      )}
    </>
  );
}

const HOURS = 60;

function RuleFields({ rule, onChange }: { rule: Rule; onChange: (rule: Rule) => void }) {
  const { route, setup } = useDesk();
  const measured = route.operations.flatMap((o) => (o.characteristics ?? []).map((c) => [c.id, c.name] as const));
  const which = (value: string | undefined, change: (id: string) => void, label = 'Of what') => (
    <Choice label={label} value={value ?? ''} choices={measured} onChange={change} />
  );
  switch (rule.kind) {
    case 'elapsed':
      return (
        <>
          <TextLine label="Called" value={rule.what} onChange={(what) => onChange({ ...rule, what })} />
          <FigureField
            label="At least, h"
            value={rule.minimumMinutes / HOURS}
            onChange={(h) => onChange({ ...rule, minimumMinutes: (h ?? 0) * HOURS })}
          />
          <FigureField
            label="At most, h (empty: no limit)"
            value={rule.maximumMinutes === undefined ? undefined : rule.maximumMinutes / HOURS}
            optional
            onChange={(h) => {
              const { maximumMinutes, ...rest } = rule;
              onChange(h === undefined ? rest : { ...rule, maximumMinutes: h * HOURS });
            }}
          />
        </>
      );
    case 'equivalent':
      return (
        <>
          <TextLine label="Called" value={rule.what} onChange={(what) => onChange({ ...rule, what })} />
          <FigureField
            label="Days at the reference temperature"
            value={rule.minimumDays}
            min={0.01}
            max={400}
            onChange={(d) => onChange({ ...rule, minimumDays: d ?? 1 })}
          />
          <FigureField
            label="Reference temperature, °C"
            value={rule.law.referenceTempC}
            min={5}
            max={40}
            onChange={(t) => onChange({ ...rule, law: { ...rule.law, referenceTempC: t ?? 21 } })}
          />
          <FigureField
            label="Nothing counts below, °C"
            value={rule.law.minimumTempC}
            min={-10}
            max={40}
            onChange={(t) => onChange({ ...rule, law: { ...rule.law, minimumTempC: t ?? 10 } })}
          />
        </>
      );
    case 'inBand':
      return (
        <>
          {which(rule.characteristic, (characteristic) => onChange({ ...rule, characteristic }))}
          <TextLine label="Called" value={rule.what} onChange={(what) => onChange({ ...rule, what })} />
          <FigureField label="From" value={rule.low} min={-100_000} onChange={(low) => onChange({ ...rule, low: low ?? 0 })} />
          <FigureField label="To" value={rule.high} min={-100_000} onChange={(high) => onChange({ ...rule, high: high ?? 0 })} />
          <TextLine label="Unit" value={rule.unit} onChange={(unit) => onChange({ ...rule, unit })} />
          <FigureField
            label="How many at least"
            value={rule.needed}
            min={1}
            max={400}
            onChange={(n) => onChange({ ...rule, needed: Math.round(n ?? 1) })}
          />
          <TextLine label="What to do when too low" value={rule.tooLow} onChange={(tooLow) => onChange({ ...rule, tooLow })} />
          <TextLine label="What to do when too high" value={rule.tooHigh} onChange={(tooHigh) => onChange({ ...rule, tooHigh })} />
        </>
      );
    case 'spread':
      return (
        <>
          {which(rule.characteristic, (characteristic) => onChange({ ...rule, characteristic }))}
          <FigureField
            label="Highest less lowest, at most"
            value={rule.limit}
            onChange={(limit) => onChange({ ...rule, limit: limit ?? 0 })}
          />
          <TextLine label="Unit" value={rule.unit} onChange={(unit) => onChange({ ...rule, unit })} />
        </>
      );
    case 'gradient':
      return (
        <>
          {which(rule.shell, (shell) => onChange({ ...rule, shell }), 'Shell')}
          {which(rule.core, (core) => onChange({ ...rule, core }), 'Core')}
          <FigureField label="Apart at most, points" value={rule.limit} onChange={(limit) => onChange({ ...rule, limit: limit ?? 0 })} />
        </>
      );
    case 'stable':
      return (
        <>
          {which(rule.characteristic, (characteristic) => onChange({ ...rule, characteristic }))}
          <FigureField
            label="Changes a day, at most"
            value={rule.limitPerDay}
            onChange={(v) => onChange({ ...rule, limitPerDay: v ?? 0 })}
          />
          <FigureField
            label="Looked at over, days"
            value={rule.windowDays}
            min={1}
            max={400}
            onChange={(v) => onChange({ ...rule, windowDays: v ?? 14 })}
          />
        </>
      );
    case 'window':
      return (
        <>
          <FigureField
            label="Opens after, min"
            value={rule.minimumMinutes}
            onChange={(v) => onChange({ ...rule, minimumMinutes: v ?? 0 })}
          />
          <FigureField
            label="Closes after, min"
            value={rule.maximumMinutes}
            onChange={(v) => onChange({ ...rule, maximumMinutes: v ?? 0 })}
          />
          <TextLine label="After that" value={rule.afterwards} onChange={(afterwards) => onChange({ ...rule, afterwards })} />
        </>
      );
    case 'climate':
      return (
        <FigureField
          label="Surface above dew point, °C"
          value={rule.limits.dewMarginC}
          max={20}
          onChange={(v) => onChange({ ...rule, limits: { ...rule.limits, dewMarginC: v ?? 3 } })}
        />
      );
    case 'signOff':
      return (
        <Choice
          label="Who accepts"
          value={rule.skill}
          choices={setup.skills.map((s) => [s.skill, s.skill])}
          onChange={(skill) => onChange({ ...rule, skill })}
        />
      );
    case 'parts':
      return <Typography variant="body2">Every kit of the model has to be there.</Typography>;
  }
}
