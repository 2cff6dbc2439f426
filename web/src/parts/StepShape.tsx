import type { OperationKind } from '@ample-crane/core';
import { useTheme } from '@mui/material/styles';

/** What kind of step it is, as a shape: work, wait, coming together, going apart, away, kept, end. */
export function StepShape({ kind, size = 16 }: { kind: OperationKind; size?: number }) {
  const { tokens } = useTheme();
  const line = { stroke: tokens.ink, strokeWidth: 1.8, fill: 'none' };
  return (
    <svg width={size} height={size} viewBox="0 0 16 16" aria-hidden style={{ flexShrink: 0 }}>
      {kind === 'work' && <path d="M3 13L10 6M9 2.500a3.500 3.500 0 0 0 4.500 4.500" {...line} />}
      {kind === 'dwell' && <path d="M4 2h8M4 14h8M5 2c0 4 6 8 6 12M11 2c0 4-6 8-6 12" {...line} />}
      {(kind === 'join' || kind === 'fit' || kind === 'refit') && <path d="M1 3l6 5M1 13l6-5h8" {...line} />}
      {kind === 'part' && <path d="M15 3l-6 5M15 13l-6-5H1" {...line} />}
      {(kind === 'outside' || kind === 'transfer') && <path d="M2 8h11M9.500 4.500L13 8l-3.500 3.500" {...line} />}
      {kind === 'buffer' && <path d="M3 4h10M3 8h10M3 12h10" {...line} />}
      {kind === 'dispatch' && <path d="M4 15V2h8l-2 3 2 3H4" {...line} />}
    </svg>
  );
}

export const KIND_WORDS: Readonly<Record<OperationKind, string>> = {
  work: 'work',
  dwell: 'wait',
  join: 'joining',
  fit: 'fitting',
  part: 'taking apart',
  refit: 'fitting again',
  outside: 'at another house',
  transfer: 'to another building',
  buffer: 'kept until called',
  dispatch: 'dispatch',
};
