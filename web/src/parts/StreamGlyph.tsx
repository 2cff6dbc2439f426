import type { Component } from '@ample-crane/core';
import { useTheme } from '@mui/material/styles';

/** The stream whose colour a component wears. */
export const STREAM: Record<Component, 'body' | 'neck' | 'instrument'> = {
  body: 'body',
  top: 'body',
  back: 'body',
  sides: 'body',
  'small part': 'body',
  neck: 'neck',
  fingerboard: 'neck',
  instrument: 'instrument',
};

const BODY =
  'M16 3c3 0 4.500 1.500 5 4 .4 2-.6 3.200-.6 5 0 2.200 3.600 4 3.600 9 0 4.600-3.800 8-8 8s-8-3.400-8-8c0-5 3.600-6.800 3.600-9 0-1.800-1-3-.6-5 .5-2.500 2-4 5-4z';
const NECK = 'M14.500 2h3l.8 5.500-.6 1.500.5 20.500h-4.400l.5-20.500-.6-1.500z';
const INSTRUMENT_BODY =
  'M16 14.500c2.200 0 3.400 1 3.700 2.600.2 1.300-.4 2-.4 3.100 0 1.300 2.700 2.300 2.700 5.300 0 2.900-2.700 5-6 5s-6-2.100-6-5c0-3 2.700-4 2.700-5.300 0-1.100-.6-1.800-.4-3.100.3-1.600 1.500-2.600 3.700-2.600z';

/** The silhouette of what a batch holds: shape tells before colour does. */
export function StreamGlyph({ of, size = 22 }: { of: Component; size?: number }) {
  const { tokens } = useTheme();
  return (
    <svg width={size} height={size} viewBox="0 0 32 32" role="img" aria-label={of} style={{ flexShrink: 0 }} fill={tokens[STREAM[of]]}>
      {of === 'body' && <path d={BODY} />}
      {of === 'neck' && <path d={NECK} />}
      {of === 'fingerboard' && (
        <path d="M13.500 3h5l1 26h-7zM14 9h4.200v1H14zM13.700 15h4.800v1h-4.800zM13.400 21h5.300v1h-5.300z" fillRule="evenodd" />
      )}
      {(of === 'top' || of === 'back') && <path d={BODY} fill="none" stroke={tokens[STREAM[of]]} strokeWidth={of === 'top' ? 2 : 3.5} />}
      {of === 'sides' && <path d="M9 5c-4 7-4 15 0 22M23 5c4 7 4 15 0 22" fill="none" stroke={tokens.body} strokeWidth={3} />}
      {of === 'small part' && <path d="M7 9h18v4H7zM10 19h12v4H10z" />}
      {of === 'instrument' && (
        <>
          <path d="M15 1.500h2l.7 3.500-.5.9.3 10h-3l.3-10-.5-.9z" />
          <path d={INSTRUMENT_BODY} />
        </>
      )}
    </svg>
  );
}
