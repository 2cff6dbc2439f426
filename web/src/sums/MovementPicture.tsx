import { useTheme } from '@mui/material/styles';

const WIDTH = 640;
const PART = 70;
/** The change is drawn larger than the part, and says how much. */
const TIMES = [1, 10, 50, 200];

/** A part before and after, its change drawn to a scale of its own. */
export function MovementPicture({ sizeMm, changeMm, direction }: { sizeMm: number; changeMm: number; direction: string }) {
  const { tokens } = useTheme();
  if (!(sizeMm > 0) || !Number.isFinite(changeMm)) return null;
  const times = [...TIMES].reverse().find((t) => Math.abs(changeMm) * t <= sizeMm * 0.3) ?? 1;
  const longest = sizeMm + Math.max(0, changeMm) * times;
  const scale = (WIDTH - 8) / longest;
  const before = sizeMm * scale;
  const after = (sizeMm + changeMm * times) * scale;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${PART * 2 + 54}`}
      width="100%"
      style={{ maxWidth: WIDTH, display: 'block' }}
      role="img"
      aria-label={`${sizeMm} mm becomes ${(sizeMm + changeMm).toFixed(2)} mm; the change is drawn ${times} times`}
    >
      {[before, after].map((length, i) => (
        <g key={i} transform={`translate(4 ${i * (PART + 28) + 4})`}>
          <rect width={length} height={PART - 16} fill={tokens.body} fillOpacity={0.16} stroke={tokens.body} />
          {Array.from({ length: 9 }, (_, k) => {
            const at = ((k + 1) * length) / 10;
            // Growth rings: upright when quartered, arched when flat-sawn.
            const bow = direction === 'radial' ? 0 : 16;
            return (
              <path
                key={k}
                d={`M${at} 2Q${at + bow} ${(PART - 16) / 2} ${at} ${PART - 18}`}
                fill="none"
                stroke={tokens.body}
                strokeOpacity={0.45}
              />
            );
          })}
          <text x={0} y={PART + 2} fontSize={14} fill={tokens.ink}>
            {i === 0 ? `made: ${sizeMm} mm` : `there: ${(sizeMm + changeMm).toFixed(2)} mm (change drawn ${times}×)`}
          </text>
        </g>
      ))}
      <line x1={before + 4} x2={before + 4} y1={0} y2={PART * 2 + 24} stroke={tokens.quiet} strokeDasharray="4 4" />
    </svg>
  );
}
