import { mean, standardDeviation } from '@ample-crane/core';
import { useTheme } from '@mui/material/styles';

interface Props {
  low: number;
  high: number;
  target?: number;
  values: readonly number[];
  unit: string;
  /** what is measured, for those who cannot see it */
  label: string;
  width?: number;
  /** the stretch shown, where strips stand under each other */
  domain?: readonly [number, number];
}

const HEIGHT = 30;
const PAD = 6;

/** One strip for any measure: the band, each reading as a tick, their mean and spread; ticks out of band are crosses. */
export function BandStrip({ low, high, target, values, unit, label, width = 220, domain }: Props) {
  const { tokens } = useTheme();
  const span = high - low || 1;
  const least = Math.min(domain?.[0] ?? low - span * 0.5, ...values);
  const most = Math.max(domain?.[1] ?? high + span * 0.5, ...values);
  const x = (value: number) => PAD + ((value - least) / (most - least)) * (width - 2 * PAD);
  const outside = values.filter((v) => v < low || v > high).length;
  const m = values.length > 0 ? mean(values) : null;
  const sd = standardDeviation(values);
  const digits = unit === 'mm' ? 2 : 1;
  const words = `${label}: band ${low.toFixed(digits)} to ${high.toFixed(digits)} ${unit}; ${
    m === null ? 'nothing measured yet' : `${values.length} values, mean ${m.toFixed(digits)}, ${outside} out of band`
  }`;
  return (
    <svg
      width={width}
      height={HEIGHT}
      viewBox={`0 0 ${width} ${HEIGHT}`}
      role="img"
      aria-label={words}
      style={{ display: 'block', maxWidth: '100%', height: 'auto' }}
    >
      <line x1={PAD} x2={width - PAD} y1={15} y2={15} stroke={tokens.rule} strokeWidth={2} />
      <rect x={x(low)} width={x(high) - x(low)} y={7} height={16} rx={3} fill={tokens.ready} opacity={0.2} />
      <path d={`M${x(low)} 5v20M${x(high)} 5v20`} stroke={tokens.ready} strokeWidth={1.5} />
      {target !== undefined && <path d={`M${x(target)} 7v16`} stroke={tokens.ready} strokeDasharray="2 2" />}
      {m !== null && sd > 0 && (
        <line x1={x(Math.max(least, m - sd))} x2={x(Math.min(most, m + sd))} y1={27} y2={27} stroke={tokens.ink} strokeWidth={1.5} />
      )}
      {values.map((value, i) =>
        value < low || value > high ? (
          <path key={i} d={`M${x(value) - 3.5} 11.500l7 7m0-7l-7 7`} stroke={tokens.stop} strokeWidth={2} />
        ) : (
          <line key={i} x1={x(value)} x2={x(value)} y1={9} y2={21} stroke={tokens.ink} strokeWidth={1.5} opacity={0.75} />
        ),
      )}
      {m !== null && <path d={`M${x(m)} 24l-4 5h8z`} fill={tokens.ink} />}
    </svg>
  );
}
