import { formatDuration, groupBy, STAGE_NAMES } from '@ample-crane/core';
import { Box, Button, Link, Paper, Typography } from '@mui/material';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import type { View } from '../ground/api.ts';
import { useMonths, useMorning } from '../ground/queries.ts';
import { useSession, useTell } from '../ground/session.tsx';
import { Answer, Figure, Id } from '../parts/Answer.tsx';
import { Finding, type Severity } from '../parts/Finding.tsx';
import { GateAct } from '../parts/GateAct.tsx';
import { Empty, Screen, Section } from '../parts/Screen.tsx';
import { counted } from '../parts/words.ts';

const SEVERITY: Record<View<'DecisionView'>['act'], Severity> = {
  move: 'ready',
  release: 'ready',
  hold: 'stop',
  answer: 'attention',
  look: 'attention',
};
const LATE_SHOWN = 8;
const NEWS_SHOWN = 12;

/** Seven in the morning: what can move, what comes free, what is late, what holds us up. */
export default function MorningScreen() {
  const query = useMorning();
  return (
    <Screen title="Morning" query={query}>
      {(morning) => (
        <>
          <Headline morning={morning} />
          <Box
            sx={{
              display: 'grid',
              gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 3fr) minmax(0, 2fr)' },
              gap: 3,
            }}
          >
            <Box>
              <Section title="Decisions, in walking order">
                {morning.decisions.length === 0 ? (
                  <Empty>Nothing waits for a decision.</Empty>
                ) : (
                  <Decisions decisions={morning.decisions} />
                )}
              </Section>
              <Section title="Late even at the earliest">
                {morning.lateOrders.length === 0 ? <Empty>Every order can still be in time.</Empty> : <Late orders={morning.lateOrders} />}
              </Section>
            </Box>
            <Box>
              <Section title="Comes free today">
                {morning.comingFree.length === 0 ? <Empty>No wait ends today.</Empty> : <ComingFree rows={morning.comingFree} />}
              </Section>
              <Section title="People">
                <People days={morning.people} />
              </Section>
              {morning.makeNext.length > 0 && (
                <Section title="Make next for stock">
                  <MakeNext kinds={morning.makeNext} />
                </Section>
              )}
              <LastMonth />
              <Section title="Since yesterday">
                <News morning={morning} />
              </Section>
            </Box>
          </Box>
        </>
      )}
    </Screen>
  );
}

function Headline({ morning }: { morning: View<'MorningView'> }) {
  return (
    <Answer>
      <Figure>{morning.canMove}</Figure> {morning.canMove === 1 ? 'batch' : 'batches'} can move now
      {morning.canRelease > 0 && (
        <>
          , <Figure>{morning.canRelease}</Figure> {morning.canRelease === 1 ? 'lot' : 'lots'} can be released
        </>
      )}
      ; <Figure>{morning.comingFreeToday}</Figure> more {morning.comingFreeToday === 1 ? 'comes' : 'come'} free today.{' '}
      <Figure>{morning.late}</Figure> {morning.late === 1 ? 'order' : 'orders'} will be late even at the earliest. {morning.limit.sentence}
    </Answer>
  );
}

function Decisions({ decisions }: { decisions: readonly View<'DecisionView'>[] }) {
  const stages = [...new Set(decisions.map((d) => d.stage))];
  return (
    <>
      {stages.map((stage) => (
        <Box
          key={stage}
          sx={{
            display: 'grid',
            gridTemplateColumns: { xs: 'minmax(0, 1fr)', sm: '112px minmax(0, 1fr)' },
            borderBottom: 1,
            borderColor: 'divider',
          }}
        >
          <Typography variant="h3" sx={{ pt: 1.25, color: 'text.secondary' }}>
            {STAGE_NAMES[stage]}
          </Typography>
          <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
            {[
              ...groupBy(
                decisions.filter((d) => d.stage === stage),
                (d) => d.way ?? `${d.subject}-${d.id}`,
              ),
            ].map(([key, alike]) =>
              alike.length > 1 ? <LikeMoves key={key} way={key} moves={alike} /> : alike.map((d) => <Decision key={key} decision={d} />),
            )}
          </Box>
        </Box>
      ))}
    </>
  );
}

function Decision({ decision }: { decision: View<'DecisionView'> }) {
  return (
    <li>
      <Finding severity={SEVERITY[decision.act]} sentence={decision.sentence} action={<Act decision={decision} />} />
    </li>
  );
}

/** What goes the same way is one line, which opens. */
function LikeMoves({ way, moves }: { way: string; moves: readonly View<'DecisionView'>[] }) {
  const [open, setOpen] = useState(false);
  return (
    <li>
      <Finding
        severity="ready"
        sentence={`Move ${moves.length} batches ${way}`}
        action={
          <Button variant="outlined" aria-expanded={open} onClick={() => setOpen(!open)} sx={{ flexShrink: 0 }}>
            {open ? 'Fold' : `Show ${moves.length}`}
          </Button>
        }
      />
      {open && (
        <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, pl: 2, borderLeft: 2, borderColor: 'divider' }}>
          {moves.map((move) => (
            <Decision key={move.id} decision={move} />
          ))}
        </Box>
      )}
    </li>
  );
}

const PATHS = {
  lot: '/lots/',
  batch: '/batches/',
  dimension: '/machining/dimensions?id=',
  program: '/machining/programs?id=',
  cutter: '/machining/cutters?id=',
  device: '/setup/devices?id=',
} as const;
const SEE: Readonly<Partial<Record<keyof typeof PATHS, string>>> = {
  dimension: 'See its chart',
  program: 'See the program',
  cutter: 'See the cutters',
  device: 'See the devices',
};
const pathOf = (subject: keyof typeof PATHS, id: string) => `${PATHS[subject]}${encodeURIComponent(id)}`;

function Act({ decision }: { decision: View<'DecisionView'> }) {
  const { may } = useSession();
  const { id, subject, act, version } = decision;
  if (id === null || subject === null || subject === 'zone') return null;
  if (act === 'move' && may('operator')) return <GateAct subject="batch" id={id} version={version} label={`Move ${id}`} />;
  if (act === 'release' && may('lead')) return <GateAct subject="lot" id={id} version={version} label={`Release ${id}`} />;
  return (
    <Button component={RouterLink} to={pathOf(subject, id)} sx={{ flexShrink: 0 }}>
      {SEE[subject] ?? `Open ${id}`}
    </Button>
  );
}

function ComingFree({ rows }: { rows: readonly View<'ComingFreeView'>[] }) {
  const { nowMs, clock } = useSession();
  const tell = useTell();
  return (
    <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
      {rows.map((row) => (
        <Box component="li" key={row.id} sx={{ display: 'flex', gap: 1.5, py: 0.5 }}>
          <Id>{clock(row.untilMs)}</Id>
          <Box sx={{ flex: 1 }}>
            <Link component={RouterLink} to={row.subject === 'lot' ? `/lots/${row.id}` : `/batches/${row.id}`} color="inherit">
              {tell(row.sentence)}
            </Link>
          </Box>
          <Id>{formatDuration(row.untilMs - nowMs)}</Id>
        </Box>
      ))}
    </Box>
  );
}

function Late({ orders }: { orders: readonly View<'OrderView'>[] }) {
  const { date } = useSession();
  return (
    <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
      {orders.slice(0, LATE_SHOWN).map((order) => (
        <li key={order.id}>
          <Finding
            severity="attention"
            sentence={
              <>
                <Id>{order.id}</Id> {order.quantity} × {order.modelName} for {order.customer}
              </>
            }
            remedy={`Due ${date(order.dueMs)}. ${order.why ?? order.status}`}
          />
        </li>
      ))}
      {orders.length > LATE_SHOWN && (
        <li>
          <Link component={RouterLink} to="/orders">
            {orders.length - LATE_SHOWN} more in the order book
          </Link>
        </li>
      )}
    </Box>
  );
}

const LIST = { listStyle: 'none', m: 0, p: 0 } as const;

/** Who is missed today and on the next working day, and what one person more staying away would stop. */
function People({ days }: { days: readonly View<'DayPeopleView'>[] }) {
  const { clock, date, dateTime } = useSession();
  const nameOf = ({ fromMs }: View<'DayPeopleView'>, i: number) => (i === 0 ? 'Today' : dateTime(fromMs).replace(/ [\d:]+$/, ''));
  // Where both days are alike it is said once.
  const [first] = days;
  const alike = first && days.every((d) => d.gaps.length === 0 && JSON.stringify(d.alone) === JSON.stringify(first.alone));
  const told = alike ? [{ ...first, day: days.map(nameOf).join(' and ') }] : days.map((d, i) => ({ ...d, day: nameOf(d, i) }));
  return told.map(({ day, fromMs, gaps, alone }) => {
    return (
      <Box key={fromMs} component="section" aria-label={day} sx={{ mb: 1 }}>
        <Typography variant="h3" color="text.secondary">
          {day}
        </Typography>
        {gaps.length === 0 ? (
          <Typography sx={{ py: 0.5 }}>Everybody is in.</Typography>
        ) : (
          <Box component="ul" sx={LIST}>
            {gaps.map((gap) => (
              <li key={gap.name}>
                <Finding
                  severity={gap.alone ? 'attention' : 'waiting'}
                  sentence={`${gap.name} is away${gap.fromMs > fromMs ? ` from ${clock(gap.fromMs)}` : ''} until ${date(gap.toMs)}`}
                  remedy={gap.sentence}
                />
              </li>
            ))}
          </Box>
        )}
        {alone.length > 0 && (
          <Typography variant="body2" color="text.secondary">
            On one person alone: {alone.map((a) => `${a.skill} (${a.name})`).join(', ')}.
          </Typography>
        )}
      </Box>
    );
  });
}

const MAKE_SHOWN = 5;

/** What is made ahead: what is short first, and by when it must be begun. */
function MakeNext({ kinds }: { kinds: readonly View<'MakeNextView'>[] }) {
  const { date, nowMs } = useSession();
  return (
    <Box component="ul" sx={LIST}>
      {kinds.slice(0, MAKE_SHOWN).map(({ name, modelId, component, short, shortMs, beginByMs, inStock, coming, asked }) => {
        const late = beginByMs !== null && beginByMs <= nowMs;
        const begin = beginByMs === null ? '' : late ? `begin ${short} more now` : `begin ${short} more by ${date(beginByMs)}`;
        return (
          <li key={`${modelId} ${component}`}>
            <Finding
              severity={short === 0 ? 'ready' : late ? 'attention' : 'waiting'}
              sentence={`${name}: ${short === 0 ? 'enough' : begin}`}
              remedy={`${inStock} in stock, ${coming} coming, ${asked} asked for${shortMs === null ? '' : `; the first is lacking on ${date(shortMs)}`}`}
            />
          </li>
        );
      })}
    </Box>
  );
}

/** The last whole month against the one before it. */
function LastMonth() {
  const { data } = useMonths(3);
  const why = data?.months.findLast((m) => m.why !== null)?.why;
  if (why === undefined) return null;
  return (
    <Section title="Last month">
      <Typography sx={{ mb: 0.5 }}>{why}</Typography>
      <Link component={RouterLink} to="/flow?by=months">
        Months side by side
      </Link>
    </Section>
  );
}

function News({ morning }: { morning: View<'MorningView'> }) {
  const { clock } = useSession();
  const tell = useTell();
  return (
    <>
      <Typography sx={{ mb: 0.5 }}>
        <Figure>{morning.finishedSinceYesterday}</Figure> steps finished,{' '}
        {counted(morning.shippedSinceYesterday, 'instrument', 'instruments')} shipped.
      </Typography>
      <Paper sx={{ border: 0, bgcolor: 'transparent' }}>
        {morning.changed.slice(0, NEWS_SHOWN).map((entry) => (
          <Typography key={entry.id} variant="body2" color="text.secondary" noWrap title={`${tell(entry.sentence)} — ${entry.by}`}>
            <Id>{clock(entry.atMs)}</Id> {tell(entry.sentence)}
          </Typography>
        ))}
      </Paper>
    </>
  );
}
