import { MACHINING_POLICIES, WAIT_POLICIES, type MachiningPolicy, type WaitPolicy } from '@ample-crane/core';
import { Box, Button, Stack, Table, TableBody, TableCell, TableHead, TableRow, Typography } from '@mui/material';
import { useSearchParams } from 'react-router';
import type { View } from '../ground/api.ts';
import { usePrice, useRoutes, useSetup, type PriceAsked } from '../ground/queries.ts';
import { Answer } from '../parts/Answer.tsx';
import { Choice, FigureField } from '../parts/deskFields.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { Empty, Section } from '../parts/Screen.tsx';

type Policy = View<'PolicyView'>;
const USUAL_RATE = 10;
const WAIT_WORDS: Readonly<Record<WaitPolicy, string>> = { 'as asked': 'each as long as it asks', overnight: 'everything overnight' };
const MACHINING_WORDS: Readonly<Record<MachiningPolicy, string>> = {
  'as routed': 'by their programs',
  'without programs': 'another way, where there is one',
};
/** What is chosen of each of the two ways, by its name in the address. */
const FIRST = { route: 'routeId', batch: 'batchSize', waits: 'waits', machining: 'machining' } as const;
const SECOND = { route: 'thenRouteId', batch: 'thenBatchSize', waits: 'thenWaits', machining: 'thenMachining' } as const;
const CHOSEN = [...Object.values(FIRST), ...Object.values(SECOND)];

type Chosen = Partial<Record<(typeof CHOSEN)[number], string>>;

/** Questions that houses ask of themselves, as two ways to compare. */
const READY_MADE: readonly { label: string; ways: (batchSize: number) => Chosen }[] = [
  { label: 'Everything waits overnight, or as long as it asks', ways: () => ({ waits: 'overnight' }) },
  { label: 'Machine nearly to final, or leave it to hands', ways: () => ({ thenMachining: 'without programs' }) },
  { label: 'Batches half as large', ways: (batchSize) => ({ thenBatchSize: String(Math.max(1, Math.round(batchSize / 2))) }) },
];

/** What one way of making a model comes to against another: hours, places, waiting, lead time. */
export default function Policies() {
  const [search, setSearch] = useSearchParams();
  const setup = useSetup();
  const routes = useRoutes();
  const models = (setup.data?.models ?? []).filter((m) => routes.data?.some((v) => v.modelId === m.id && v.inForce));
  const modelId = search.get('model') ?? models[0]?.id;
  const model = models.find((m) => m.id === modelId);
  const perWeek = Number(search.get('rate') ?? USUAL_RATE);
  const chosen = Object.fromEntries(CHOSEN.flatMap((key) => (search.has(key) ? [[key, search.get(key) ?? '']] : []))) as Chosen;
  // Nothing is chosen yet: the question that is asked most.
  const ways: Chosen = Object.keys(chosen).length === 0 ? { waits: 'overnight' } : chosen;
  const query = usePrice(modelId === undefined ? undefined : askedFor(modelId, perWeek, ways));
  const put = (change: Record<string, string>, keep: Chosen = ways) => {
    const next = { by: 'policy', ...(modelId === undefined ? {} : { model: modelId }), rate: String(perWeek), ...keep, ...change };
    setSearch(next, { replace: true });
  };
  if (setup.data && routes.data && models.length === 0)
    return <Empty>No model has a route in force yet: write one in Setup, Routes.</Empty>;
  const versions = (routes.data ?? []).filter((v) => v.modelId === modelId);
  return (
    <>
      {query.data && <Answer>{query.data.sentence}</Answer>}
      <Stack direction="row" useFlexGap spacing={1} sx={{ flexWrap: 'wrap', mb: 2 }}>
        {READY_MADE.map(({ label, ways: made }) => (
          <Button key={label} variant="outlined" onClick={() => put({}, made(model?.batchSize ?? 1))}>
            {label}
          </Button>
        ))}
      </Stack>
      <Stack direction="row" useFlexGap spacing={1.5} sx={{ flexWrap: 'wrap', mb: 1.5, '& > *': { width: { xs: '100%', sm: 200 } } }}>
        <Box>
          <Choice
            label="Model"
            value={modelId ?? ''}
            choices={models.map((m) => [m.id, m.name])}
            onChange={(id) => put({ model: id }, {})}
          />
        </Box>
        <Box>
          <FigureField
            label="Instruments a week"
            value={perWeek}
            min={0.1}
            max={5000}
            onChange={(rate) => put({ rate: String(rate ?? USUAL_RATE) })}
          />
        </Box>
      </Stack>
      {query.error && <ErrorNote error={query.error} onRetry={() => void query.refetch()} />}
      {query.data && (
        <>
          <Box sx={{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '1fr 1fr' }, gap: 2, mb: 2 }}>
            <WayFields title="First" keys={FIRST} policy={query.data.from} versions={versions} onChange={put} />
            <WayFields title="Second" keys={SECOND} policy={query.data.to} versions={versions} onChange={put} />
          </Box>
          <Price price={query.data} />
        </>
      )}
    </>
  );
}

function askedFor(modelId: string, perWeek: number, { batchSize, thenBatchSize, ...ways }: Chosen): PriceAsked {
  return {
    modelId,
    perWeek,
    ...(ways as Omit<PriceAsked, 'modelId' | 'perWeek'>),
    ...(batchSize === undefined ? {} : { batchSize: Number(batchSize) }),
    ...(thenBatchSize === undefined ? {} : { thenBatchSize: Number(thenBatchSize) }),
  };
}

interface WayProps {
  title: string;
  keys: Readonly<Record<keyof typeof FIRST, string>>;
  policy: Policy;
  versions: readonly View<'RouteVersionView'>[];
  onChange: (change: Record<string, string>) => void;
}

function WayFields({ title, keys, policy, versions, onChange }: WayProps) {
  const words = (v: View<'RouteVersionView'>) => `version ${v.version}${v.inForce ? ', in force' : v.state === 'draft' ? ', draft' : ''}`;
  return (
    <Box role="group" aria-label={`${title} way`} sx={{ border: 1, borderColor: 'divider', borderRadius: 1, p: 1.5 }}>
      <Typography variant="h3" sx={{ mb: 1 }}>
        {title}
      </Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0, 1fr)', sm: '1fr 1fr' }, gap: 1.5 }}>
        <Choice
          label="Route"
          value={policy.routeId}
          choices={versions.map((v) => [v.id, words(v)])}
          onChange={(id) => onChange({ [keys.route]: id })}
        />
        <FigureField
          label="In a batch"
          value={policy.batchSize}
          min={1}
          max={400}
          onChange={(n) => onChange({ [keys.batch]: String(Math.round(n ?? 1)) })}
        />
        <Choice
          label="What waits"
          value={policy.waits}
          choices={WAIT_POLICIES.map((p) => [p, WAIT_WORDS[p]])}
          onChange={(waits) => onChange({ [keys.waits]: waits })}
        />
        <Choice
          label="Steps with a program"
          value={policy.machining}
          choices={MACHINING_POLICIES.map((p) => [p, MACHINING_WORDS[p]])}
          onChange={(machining) => onChange({ [keys.machining]: machining })}
        />
      </Box>
    </Box>
  );
}

function Price({ price: { from, to, modelName, perWeek } }: { price: View<'PriceView'> }) {
  const codes = [...new Set([...from.stations, ...to.stations].map((s) => s.code))];
  const at = (policy: Policy, code: string) => policy.stations.find((s) => s.code === code)?.hours ?? 0;
  const stations = codes
    .map((code) => ({
      code,
      name: [...from.stations, ...to.stations].find((s) => s.code === code)?.name ?? code,
      values: [at(from, code), at(to, code)] as const,
    }))
    .filter(({ values }) => Math.max(...values) > 0);
  const ids = [...new Set([...from.lying, ...to.lying].map((w) => w.operationId))];
  const waits = ids.flatMap((id) => {
    const [first, second] = [from, to].map((p) => p.lying.find((w) => w.operationId === id));
    const one = first ?? second;
    return one
      ? [{ ...one, values: [first?.pieces ?? 0, second?.pieces ?? 0] as const, each: [first?.hours, second?.hours] as const }]
      : [];
  });
  const sums = [
    ['From first start to last step, days', [from.leadDays, to.leadDays]],
    ['Of it waiting, days', [from.waitDays, to.waitDays]],
    ['Pieces that lie waiting', [from.waitingPieces, to.waitingPieces]],
    ['Hours of work a week', [from.touchHours, to.touchHours]],
  ] as const;
  return (
    <>
      <Compared
        label={`${modelName}, ${perWeek} a week`}
        what="In all"
        rows={sums.map(([name, values]) => ({ key: name, name, values }))}
      />
      <Section title="Where it waits, on average">
        <Compared
          label="Pieces that lie waiting at a time"
          what="Step"
          rows={waits.map((w) => ({
            key: w.operationId,
            name: `${w.name}, ${w.rig === null ? w.stationName : `in a ${w.rig}`}`,
            values: w.values,
            note: `${w.each.map((h) => (h === undefined ? 'not' : `${h.toFixed(1)} h`)).join(' · ')} each${w.places === null ? '' : `; room for ${w.places}`}`,
            isOver: w.places !== null && Math.max(...w.values) > w.places,
          }))}
        />
      </Section>
      <Section title="Hours of work a week">
        <Compared label="Hours of work a week" what="Station" rows={stations.map((s) => ({ key: s.code, ...s }))} />
      </Section>
      <Typography variant="body2" color="text.secondary">
        {restsOn(to)} Nothing is taken to queue before any step, what cures or sets is at its reference temperature, and room is shared with
        all other models. Starts are tried through two weeks of working hours, with the usual choice of each option; what comes back is left
        out.
      </Typography>
    </>
  );
}

interface Line {
  key: string;
  name: string;
  values: readonly [number, number];
  note?: string;
  isOver?: boolean;
}

/** Two figures for each line, and what lies between them. */
function Compared({ label, what, rows }: { label: string; what: string; rows: readonly Line[] }) {
  const signed = (n: number) => (Math.abs(n) < 0.05 ? '0.0' : `${n > 0 ? '+' : '−'}${Math.abs(n).toFixed(1)}`);
  return (
    <Box sx={{ overflowX: 'auto', mb: 2 }} tabIndex={0} role="region" aria-label={label}>
      <Table size="small" aria-label={label}>
        <TableHead>
          <TableRow>
            <TableCell>{what}</TableCell>
            {['First', 'Second', 'Difference'].map((head) => (
              <TableCell key={head} align="right">
                {head}
              </TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {rows.map(({ key, name, values: [first, second], note, isOver = false }) => (
            <TableRow key={key}>
              <TableCell>
                {name}
                {note !== undefined && (
                  <Typography variant="body2" color={isOver ? 'error' : 'text.secondary'}>
                    {note}
                    {isOver && ': not enough'}
                  </Typography>
                )}
              </TableCell>
              <TableCell align="right">{first.toFixed(1)}</TableCell>
              <TableCell align="right">{second.toFixed(1)}</TableCell>
              <TableCell align="right" sx={{ fontWeight: 600 }}>
                {signed(second - first)}
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}

/** What the minutes of the second way rest on. */
function restsOn({ logged, planned, onlyByProgram }: Policy): string {
  return [
    logged.length > 0 ? `Minutes as logged: ${logged.join(', ')}.` : 'No step has batches enough on record: all minutes are as planned.',
    ...(logged.length > 0 && planned.length > 0 ? [`As planned: ${planned.join(', ')}.`] : []),
    ...(onlyByProgram.length > 0 ? [`By their programs all the same, since they know no other way: ${onlyByProgram.join(', ')}.`] : []),
  ].join(' ');
}
