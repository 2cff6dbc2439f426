import { Box } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import { useNavigate } from 'react-router';
import type { View } from '../ground/api.ts';
import { MONO } from '../ground/theme.ts';
import { DwellRing } from '../parts/DwellRing.tsx';
import { StreamGlyph } from '../parts/StreamGlyph.tsx';
import { pieces, statusWords } from '../parts/words.ts';
import { HEIGHT, hoursAt, LANE_Y, laneOf, LANES, PLACES, thickness, tokensAt, WIDTH, type Place, type Token } from './layout.ts';

interface Props {
  floor: View<'FloorView'>;
  onPlace: (place: Place) => void;
}

/** Narrower it could not be read: it pans. */
const LEAST_WIDTH = 1030;
/** What is written in it, in its own units: not under 12 px where it is drawn narrowest. */
const TEXT = 14;

/** Two streams run left to right and join at fitting; thick where hours wait, pinched at the station that limits. */
export function Confluence({ floor, onPlace }: Props) {
  const { tokens } = useTheme();
  const { batches, limit } = floor;
  const limiting = floor.stations.find((s) => s.code === limit.stationCode);
  const narrow = PLACES.find((p) => limiting && p.stages.includes(limiting.stage) && p.lane === laneOfStation(limiting, batches));
  return (
    <Box sx={{ overflowX: 'auto' }} tabIndex={0} role="region" aria-label="The floor, drawn">
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        width="100%"
        role="group"
        aria-label="The floor: bodies above, necks below, joining at fitting"
        style={{ display: 'block', minWidth: LEAST_WIDTH, maxHeight: 'calc(100vh - 250px)' }}
      >
        {LANES.map((lane) => (
          <Stream key={lane} lane={lane} batches={batches} colour={tokens[lane]} />
        ))}
        {narrow && limiting && <Narrow place={narrow} name={limiting.name} colour={tokens.attention} ground={tokens.ground} />}
        {PLACES.map((at) => (
          <PlaceLabel key={at.key} at={at} batches={batches} onOpen={() => onPlace(at)} />
        ))}
        {PLACES.flatMap((at) => tokensAt(at, batches)).map((token) => (
          <BatchToken key={token.batch.id} token={token} />
        ))}
      </svg>
    </Box>
  );
}

/** The lane in which most of a station's work stands. */
function laneOfStation(station: View<'StationFlowView'>, batches: readonly View<'BatchView'>[]) {
  const here = batches.filter((b) => b.stationCode === station.code);
  const count = (lane: string) => here.filter((b) => laneOf(b.component) === lane).length;
  if (here.length === 0)
    return station.stage === 'necks' ? 'neck' : ['roughMill', 'machining', 'bodies'].includes(station.stage) ? 'body' : 'instrument';
  return (['instrument', 'body', 'neck'] as const).reduce((best, lane) => (count(lane) > count(best) ? lane : best), 'instrument' as const);
}

function Stream({ lane, batches, colour }: { lane: Place['lane']; batches: readonly View<'BatchView'>[]; colour: string }) {
  const places = PLACES.filter((p) => p.lane === lane);
  const y = LANE_Y[lane];
  const points = places.map((p) => ({ x: p.x, half: thickness(hoursAt(p, batches)) / 2 }));
  const first = points[0];
  const last = points.at(-1);
  if (!first || !last) return null;
  const meet = lane === 'instrument' ? null : { x: 680, y: LANE_Y.instrument };
  // The upper and the lower bank, joined by smooth curves through the places.
  const bank = (sign: 1 | -1) => points.map((p) => ({ x: p.x, y: y + sign * p.half }));
  const curve = (list: { x: number; y: number }[]) =>
    list
      .slice(1)
      .map((p, i) => {
        const from = list[i] ?? p;
        const mid = (from.x + p.x) / 2;
        return `C${mid} ${from.y} ${mid} ${p.y} ${p.x} ${p.y}`;
      })
      .join(' ');
  const start = lane === 'instrument' ? 650 : 8;
  const end = lane === 'instrument' ? WIDTH - 6 : last.x;
  const upper = [
    { x: start, y: y - 5 },
    ...bank(-1),
    ...(meet ? [{ x: meet.x, y: meet.y - (lane === 'body' ? 12 : 0) }] : [{ x: end, y: y - 5 }]),
  ];
  const lower = [
    ...(meet ? [{ x: meet.x, y: meet.y + (lane === 'body' ? 0 : 12) }] : [{ x: end, y: y + 5 }]),
    ...bank(1).reverse(),
    { x: start, y: y + 5 },
  ];
  const [u0] = upper;
  const [l0] = lower;
  return (
    <path d={`M${u0?.x ?? 0} ${u0?.y ?? 0} ${curve(upper)} L${l0?.x ?? 0} ${l0?.y ?? 0} ${curve(lower)} Z`} fill={colour} opacity={0.2} />
  );
}

function Narrow({ place, name, colour, ground }: { place: Place; name: string; colour: string; ground: string }) {
  const y = LANE_Y[place.lane];
  const x = place.x + (place.perRow * 42) / 2 + 12;
  // Above the bodies' stream stand the names of its places.
  const nameY = place.lane === 'body' ? y + 114 : y - 104;
  return (
    <g role="img" aria-label={`The narrow: ${name}`}>
      <path d={`M${x - 13} ${y - 96}h26l-10 84h-6z M${x - 13} ${y + 96}h26l-10 -84h-6z`} fill={colour} stroke={ground} strokeWidth={2} />
      <text x={x} y={nameY} textAnchor="middle" fontSize={TEXT} fontWeight={700} fill={colour}>
        the narrow: {name}
      </text>
    </g>
  );
}

function PlaceLabel({ at, batches, onOpen }: { at: Place; batches: readonly View<'BatchView'>[]; onOpen: () => void }) {
  const { tokens } = useTheme();
  const hours = hoursAt(at, batches);
  const y = at.lane === 'neck' ? HEIGHT - 16 : at.lane === 'body' ? 20 : HEIGHT - 96;
  const count = batches.filter((b) => laneOf(b.component) === at.lane && at.stages.includes(b.stage)).length;
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={`${at.name}, ${at.lane} stream: ${count} batches, ${hours.toFixed(0)} hours waiting`}
      onClick={onOpen}
      onKeyDown={(event) => event.key === 'Enter' && onOpen()}
      style={{ cursor: 'pointer' }}
    >
      <rect x={at.x - 48} y={y - 16} width={96} height={36} fill="transparent" />
      <text x={at.x} y={y} textAnchor="middle" fontSize={TEXT} fill={tokens.ink} fontWeight={600}>
        {at.name}
      </text>
      <text x={at.x} y={y + 16} textAnchor="middle" fontSize={TEXT} fill={tokens.quiet} fontFamily={MONO}>
        {hours > 0 ? `${hours.toFixed(0)} h wait` : '–'}
      </text>
    </g>
  );
}

function BatchToken({ token }: { token: Token }) {
  const { tokens } = useTheme();
  const navigate = useNavigate();
  const { batch, x, y } = token;
  const open = () => void navigate(`/batches/${batch.id}`);
  const waits = batch.status === 'dwelling' || batch.status === 'finished' || batch.status === 'held';
  return (
    <g
      role="link"
      tabIndex={0}
      aria-label={`${batch.id}, ${pieces(batch.quantity, batch.component)} of ${batch.modelName}, ${batch.operationName}, ${statusWords(batch.status)}`}
      transform={`translate(${x - 19} ${y - 19})`}
      onClick={open}
      onKeyDown={(event) => event.key === 'Enter' && open()}
      style={{ cursor: 'pointer' }}
    >
      <title>{`${batch.id} · ${batch.quantity} × ${batch.modelName} · ${batch.operationName}, ${statusWords(batch.status)}`}</title>
      <circle
        cx={19}
        cy={19}
        r={17}
        fill={tokens.raised}
        stroke={batch.status === 'running' ? tokens.ink : tokens.rule}
        strokeWidth={batch.status === 'running' ? 2 : 1}
      />
      {waits && <DwellRing of={batch} size={38} bare />}
      <g transform="translate(8 3)">
        <StreamGlyph of={batch.component} size={22} />
      </g>
      <text
        x={19}
        y={35}
        textAnchor="middle"
        fontSize={TEXT}
        fontWeight={700}
        fontFamily={MONO}
        fill={tokens.ink}
        stroke={tokens.raised}
        strokeWidth={3}
        paintOrder="stroke"
      >
        {batch.quantity}
      </text>
      {batch.verdict === 'pass' && waits && <circle cx={33} cy={6} r={6} fill={tokens.ready} stroke={tokens.raised} strokeWidth={1.5} />}
    </g>
  );
}
