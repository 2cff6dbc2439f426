import { stepMarks, type Component, type Operation, type Route } from '@ample-crane/core';
import { Box, ButtonBase, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { SeverityMark } from '../parts/Finding.tsx';
import { STREAM } from '../parts/StreamGlyph.tsx';
import { KIND_WORDS, StepShape } from '../parts/StepShape.tsx';
import { layoutRoute, neighbour, NODE_HEIGHT, NODE_WIDTH } from './layout.ts';

export type StepTone = 'added' | 'removed' | 'changed';

interface Props {
  label: string;
  route: Pick<Route, 'operations' | 'options'>;
  selectedId?: string | null;
  onSelect?: (id: string) => void;
  /** steps with something wrong */
  faulty?: ReadonlySet<string>;
  /** steps that differ from another version */
  tones?: ReadonlyMap<string, StepTone>;
}

const FIT_HEIGHT = 250;
const SMALLEST = 0.3;

/** A route drawn as a line with its branches, left to right. Arrow keys walk along it. */
export function RouteMap({ label, route, selectedId = null, onSelect, faulty, tones }: Props) {
  const { tokens } = useTheme();
  const map = useMemo(() => layoutRoute(route), [route]);
  /** the width the whole of it is to fit; null to read it at its own size */
  const [fitPx, setFitPx] = useState<number | null>(null);
  const frame = useRef<HTMLDivElement>(null);
  const buttons = useRef(new Map<string, HTMLElement>());
  const scale = fitPx === null ? 1 : Math.max(SMALLEST, Math.min(1, FIT_HEIGHT / map.height, fitPx / map.width));
  const inView = selectedId ?? map.nodes.find((n) => tones?.has(n.id))?.id;
  useEffect(() => {
    const node = map.nodes.find((n) => n.id === inView);
    const box = frame.current;
    if (!node || !box) return;
    const [left, right] = [node.x * scale, (node.x + NODE_WIDTH) * scale];
    if (left < box.scrollLeft || right > box.scrollLeft + box.clientWidth) box.scrollLeft = (left + right - box.clientWidth) / 2;
  }, [map, inView, scale]);
  const steps = new Map(route.operations.map((o) => [o.id, o]));
  const walk = (event: KeyboardEvent, id: string) => {
    const to = neighbour(map, id, event.key);
    if (to === undefined) return;
    event.preventDefault();
    buttons.current.get(to)?.focus();
    onSelect?.(to);
  };
  return (
    <Box>
      <Box
        ref={frame}
        role="group"
        aria-label={label}
        sx={{ overflow: 'auto', border: 1, borderColor: 'divider', borderRadius: 1, bgcolor: 'background.paper', maxHeight: 380 }}
      >
        <Box sx={{ position: 'relative', width: map.width * scale, height: map.height * scale }}>
          <Box sx={{ position: 'absolute', transform: `scale(${scale})`, transformOrigin: '0 0', width: map.width, height: map.height }}>
            <svg width={map.width} height={map.height} aria-hidden style={{ position: 'absolute' }}>
              {map.links.map((link) => (
                <path
                  key={`${link.from}>${link.to}`}
                  d={link.points.map((p, i) => `${i === 0 ? 'M' : 'L'}${p.x} ${p.y}`).join('')}
                  fill="none"
                  stroke={tokens[STREAM[steps.get(link.from)?.component ?? 'body']]}
                  // A step that may not wait is bound to the next with a thick line.
                  strokeWidth={steps.get(link.from)?.noWait ? 5 : 2}
                />
              ))}
            </svg>
            {map.nodes.map(({ id, x, y }) => {
              const step = steps.get(id);
              return (
                step && (
                  <Node
                    key={id}
                    step={step}
                    x={x}
                    y={y}
                    marks={stepMarks(step, route.options)}
                    selected={id === selectedId}
                    faulty={faulty?.has(id) === true}
                    tone={tones?.get(id)}
                    onSelect={onSelect ? () => onSelect(id) : undefined}
                    onKeyDown={(event) => walk(event, id)}
                    keep={(element) => {
                      if (element) buttons.current.set(id, element);
                      else buttons.current.delete(id);
                    }}
                  />
                )
              );
            })}
          </Box>
        </Box>
      </Box>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, mt: 0.5 }}>
        <ToggleButtonGroup
          exclusive
          size="small"
          value={fitPx === null ? 'read' : 'whole'}
          onChange={(_, value: 'read' | 'whole' | null) =>
            value && setFitPx(value === 'read' ? null : (frame.current?.clientWidth ?? null))
          }
          aria-label="Size of the drawing"
        >
          <ToggleButton value="read">To read</ToggleButton>
          <ToggleButton value="whole">Overview</ToggleButton>
        </ToggleButtonGroup>
        <Typography variant="body2" color="text.secondary">
          {route.operations.length} steps. Arrow keys walk along the line.
        </Typography>
      </Box>
    </Box>
  );
}

interface NodeProps {
  step: Operation;
  x: number;
  y: number;
  marks: readonly string[];
  selected: boolean;
  faulty: boolean;
  tone: StepTone | undefined;
  onSelect: (() => void) | undefined;
  onKeyDown: (event: KeyboardEvent) => void;
  keep: (element: HTMLElement | null) => void;
}

const TONE_WORDS: Readonly<Record<StepTone, string>> = { added: 'new', removed: 'gone', changed: 'changed' };

function Node({ step, x, y, marks, selected, faulty, tone, onSelect, onKeyDown, keep }: NodeProps) {
  const { tokens } = useTheme();
  const component: Component = step.component;
  return (
    <ButtonBase
      ref={keep}
      onClick={onSelect}
      onKeyDown={onKeyDown}
      aria-pressed={selected}
      aria-label={`${step.name}: ${KIND_WORDS[step.kind]} of the ${component}${marks.length > 0 ? `, ${marks.join(', ')}` : ''}${faulty ? ', has a problem' : ''}${tone ? `, ${TONE_WORDS[tone]}` : ''}`}
      sx={{
        position: 'absolute',
        left: x,
        top: y,
        width: NODE_WIDTH,
        height: NODE_HEIGHT,
        border: selected ? 2 : 1,
        borderColor: selected ? 'text.primary' : 'divider',
        borderLeft: `5px solid ${tokens[STREAM[component]]}`,
        borderStyle: tone === 'removed' ? 'dashed' : 'solid',
        borderRadius: 1,
        bgcolor: 'background.default',
        px: 0.75,
        py: 0.5,
        display: 'flex',
        flexDirection: 'column',
        alignItems: 'stretch',
        justifyContent: 'flex-start',
        textAlign: 'left',
        overflow: 'hidden',
      }}
    >
      <Box sx={{ display: 'flex', gap: 0.5, alignItems: 'flex-start' }}>
        {faulty ? <SeverityMark severity="stop" size={16} /> : <StepShape kind={step.kind} />}
        <Typography
          component="span"
          sx={{
            fontSize: 13,
            lineHeight: 1.15,
            fontWeight: selected || tone ? 700 : 500,
            textDecoration: tone === 'removed' ? 'line-through' : 'none',
            display: '-webkit-box',
            WebkitLineClamp: 2,
            WebkitBoxOrient: 'vertical',
            overflow: 'hidden',
          }}
        >
          {step.name}
        </Typography>
      </Box>
      <Typography component="span" noWrap sx={{ fontSize: 11.5, color: 'text.secondary', mt: 'auto' }}>
        {tone ? TONE_WORDS[tone] : (marks[0] ?? (step.kind === 'work' ? `${step.minutesPerPiece} min each` : KIND_WORDS[step.kind]))}
        {!tone && marks.length > 1 && ` +${marks.length - 1}`}
      </Typography>
    </ButtonBase>
  );
}
