import {
  isAttended,
  moveEarlier,
  moveLater,
  OPERATION_KINDS,
  removeStep,
  STAGE_NAMES,
  type OperationKind,
  type Route,
} from '@ample-crane/core';
import { Box, Button, Stack, Typography } from '@mui/material';
import type { ReactNode } from 'react';
import { SeverityMark } from '../parts/Finding.tsx';
import { StreamGlyph } from '../parts/StreamGlyph.tsx';
import { AddStep } from './AddStep.tsx';
import { EDITORS } from './aspects/index.ts';
import { useDesk } from './context.ts';
import { Choice, FigureField, TextLine } from '../parts/deskFields.tsx';
import { GateEditor } from './GateEditor.tsx';
import { KIND_WORDS } from '../parts/StepShape.tsx';

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
      <Editors part={null} />
      <Part title={kind === 'dwell' ? 'What it waits for' : 'What must pass before it is left'}>
        <GateEditor />
      </Part>
      {PARTS.map((part) => (
        <Editors key={part} part={part} />
      ))}
    </Stack>
  );
}

const ALL = Object.values(EDITORS);
/** The headings under which aspects stand, in the order of the desk. */
const PARTS = [...new Set(ALL.flatMap(({ part }) => part ?? []))];

/** The editors that stand under a heading, as far as the step's kind asks for them. */
function Editors({ part }: { part: string | null }) {
  const { step } = useDesk();
  const shown = ALL.filter((aspect) => aspect.part === part && aspect.offered?.(step) !== false);
  const editors = shown.map(({ Editor }, i) => <Editor key={i} />);
  if (part === null) return editors;
  return shown.length > 0 && <Part title={part}>{editors}</Part>;
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
  const timed = isAttended(step);
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
