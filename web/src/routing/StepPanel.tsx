import {
  CAUTION_KINDS,
  moveEarlier,
  moveLater,
  OPERATION_KINDS,
  removeStep,
  STAGE_NAMES,
  type CautionKind,
  type Operation,
  type OperationKind,
  type Route,
} from '@ample-crane/core';
import { Box, Button, Checkbox, FormControlLabel, Stack, Typography } from '@mui/material';
import type { ReactNode } from 'react';
import { SeverityMark } from '../parts/Finding.tsx';
import { StreamGlyph } from '../parts/StreamGlyph.tsx';
import { AddStep } from './AddStep.tsx';
import { ConditionEditor } from './ConditionEditor.tsx';
import { useDesk } from './context.ts';
import { Choice, FigureField, Several, TextLine } from './fields.tsx';
import { GateEditor } from './GateEditor.tsx';
import { CharacteristicsEditor, CoatEditor } from './MeasureEditors.tsx';
import { DrawsEditor, NeedsEditor, PlaceEditor } from './NeedEditors.tsx';
import { KIND_WORDS } from '../parts/StepShape.tsx';
import { LoopEditor } from './LoopEditor.tsx';
import { WaysEditor } from './WaysEditor.tsx';

const LEVELS = [
  ['1', 'learns it'],
  ['2', 'does it alone'],
  ['3', 'teaches it'],
] as const;
const AWAY: ReadonlySet<OperationKind> = new Set(['outside', 'transfer']);

interface Props {
  problems: readonly string[];
  onRoute: (route: Route, selectId: string | null) => void;
}

/** Everything one step says of itself. */
export function StepPanel({ problems, onRoute }: Props) {
  const { step, setup, readOnly, change } = useDesk();
  const { kind } = step;
  const station = setup.stations.find((s) => s.code === step.stationCode);
  return (
    <Stack spacing={2} component="section" aria-label={`Step ${step.name}`}>
      <Stack direction="row" spacing={1} sx={{ alignItems: 'center' }}>
        <StreamGlyph of={step.component} size={26} />
        <Typography variant="h2" sx={{ flex: 1 }}>
          {step.name}
        </Typography>
      </Stack>
      {problems.length > 0 && (
        <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
          {problems.map((message) => (
            <Box component="li" key={message} sx={{ display: 'flex', gap: 1, py: 0.25 }}>
              <SeverityMark severity="stop" />
              <Typography variant="body2">{message}</Typography>
            </Box>
          ))}
        </Box>
      )}
      {!readOnly && <Acts onRoute={onRoute} />}
      <TextLine
        label="Name"
        value={step.name}
        readOnly={readOnly}
        onChange={(name) => name.trim() !== '' && change({ name: name.trim() })}
      />
      <Choice
        label="What it is"
        value={kind}
        readOnly={readOnly}
        choices={OPERATION_KINDS.map((k) => [k, KIND_WORDS[k]])}
        onChange={(value) => change({ kind: value as OperationKind })}
      />
      <Choice
        label="Station"
        value={step.stationCode}
        readOnly={readOnly}
        choices={setup.stations.map((s) => [s.code, `${s.name} (${STAGE_NAMES[s.stage]})`])}
        onChange={(stationCode) => {
          const chosen = setup.stations.find((s) => s.code === stationCode);
          change({ stationCode, ...(chosen ? { stage: chosen.stage } : {}) });
        }}
      />
      {station?.stage !== step.stage && (
        <Typography variant="body2" color="text.secondary">
          Counted under {STAGE_NAMES[step.stage]}.
        </Typography>
      )}
      {kind !== 'dwell' && kind !== 'buffer' && !AWAY.has(kind) && <Who />}
      {AWAY.has(kind) && (
        <FigureField
          label="Usually away, days"
          value={step.awayDays}
          optional
          readOnly={readOnly}
          onChange={(awayDays) => change({ awayDays })}
        />
      )}
      <Part title={kind === 'dwell' ? 'What it waits for' : 'What must pass before it is left'}>
        <GateEditor />
      </Part>
      <Part title="Places">
        <PlaceEditor />
      </Part>
      {kind === 'work' && (
        <>
          <Part title="Other ways to the same end">
            <WaysEditor />
          </Part>
          <Part title="Measured here">
            <CharacteristicsEditor />
          </Part>
          <Part title="Coats">
            <CoatEditor />
          </Part>
        </>
      )}
      <Part title="Done more than once">
        <LoopEditor />
      </Part>
      <Part title="Only for some orders">
        <ConditionEditor />
      </Part>
      <Part title="Must exist first">
        <NeedsEditor />
        <DrawsEditor />
      </Part>
      <Part title="Hand-over and state">
        <Flags />
        <FigureField
          label="Sanded to grit"
          value={step.grit}
          optional
          min={1}
          max={10_000}
          readOnly={readOnly}
          onChange={(grit) => change({ grit })}
        />
        <Several
          label="Cautions"
          values={step.cautions ?? []}
          options={CAUTION_KINDS}
          readOnly={readOnly}
          onChange={(cautions) => change({ cautions: cautions.length === 0 ? undefined : (cautions as CautionKind[]) })}
        />
      </Part>
    </Stack>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box component="section" aria-label={title}>
      <Typography variant="h3" sx={{ borderBottom: 1, borderColor: 'divider', mb: 1, pb: 0.25 }}>
        {title}
      </Typography>
      <Stack spacing={1.25}>{children}</Stack>
    </Box>
  );
}

function Acts({ onRoute }: Pick<Props, 'onRoute'>) {
  const { route, step } = useDesk();
  const hasRoom = route.operations.length > 1;
  return (
    <Stack direction="row" useFlexGap spacing={0.5} sx={{ flexWrap: 'wrap' }}>
      <AddStep onRoute={onRoute} />
      <Button onClick={() => onRoute(moveEarlier(route, step.id), step.id)}>Earlier</Button>
      <Button onClick={() => onRoute(moveLater(route, step.id), step.id)}>Later</Button>
      {hasRoom && (
        <Button color="error" onClick={() => onRoute(removeStep(route, step.id), step.next[0] ?? null)}>
          Take out
        </Button>
      )}
    </Stack>
  );
}

function Who() {
  const { step, setup, readOnly, change } = useDesk();
  const timed = step.kind === 'work';
  return (
    <>
      <Stack direction="row" spacing={1}>
        <Choice
          label="Skill"
          value={step.skill ?? ''}
          empty="anyone"
          readOnly={readOnly}
          choices={setup.skills.map((s) => [s.skill, `${s.skill} (${s.holders.length})`])}
          onChange={(skill) => change(skill === '' ? { skill: undefined, skillLevel: undefined } : { skill })}
        />
        {step.skill !== undefined && (
          <Choice
            label="Who at least"
            value={String(step.skillLevel ?? 1)}
            readOnly={readOnly}
            choices={LEVELS}
            onChange={(level) => change({ skillLevel: level === '1' ? undefined : Number(level) })}
          />
        )}
      </Stack>
      {timed && (
        <Stack direction="row" spacing={1}>
          <FigureField
            label="Set-up, min"
            value={step.setupMinutes}
            readOnly={readOnly}
            onChange={(v) => change({ setupMinutes: v ?? 0 })}
          />
          <FigureField
            label="Min each"
            value={step.minutesPerPiece}
            readOnly={readOnly}
            onChange={(v) => change({ minutesPerPiece: v ?? 0 })}
          />
        </Stack>
      )}
    </>
  );
}

const FLAGS: readonly (readonly [keyof Operation & ('handOver' | 'noWait' | 'matchedSet'), string])[] = [
  ['handOver', 'Whoever takes it over says so, or refuses, before beginning'],
  ['noWait', 'Goes straight into the next place: not begun unless one is free'],
  ['matchedSet', 'Joins only what was cut from the same block'],
];

function Flags() {
  const { step, readOnly, change } = useDesk();
  return (
    <Box>
      {FLAGS.filter(([flag]) => flag !== 'matchedSet' || step.kind === 'join').map(([flag, words]) => (
        <FormControlLabel
          key={flag}
          disabled={readOnly}
          control={<Checkbox checked={step[flag] === true} onChange={(_, checked) => change({ [flag]: checked ? true : undefined })} />}
          label={words}
          sx={{ display: 'flex', alignItems: 'flex-start', '& .MuiCheckbox-root': { py: 0.25 } }}
        />
      ))}
    </Box>
  );
}
