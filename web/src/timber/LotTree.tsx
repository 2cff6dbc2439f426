import { formatLength, formatMass, lengthIn } from '@ample-crane/core';
import { Box, Link, Typography } from '@mui/material';
import { Fragment } from 'react';
import { Link as RouterLink } from 'react-router';
import type { View } from '../ground/api.ts';
import { useSession } from '../ground/session.tsx';
import { Id } from '../parts/Answer.tsx';
import { counted } from '../parts/words.ts';

type Card = View<'LotCardView'>;

/** From the lot down: its boards, the blanks cut from each, the pieces they became, and the instruments those are in. */
export function LotTree({ card }: { card: Card }) {
  const { units } = useSession();
  const cut = card.boards.filter((b) => b.state === 'cut');
  const whole = card.boards.filter((b) => b.state === 'whole');
  const fromBlanks = new Set(card.blanks.flatMap((b) => (b.pieceId === null ? [] : [b.pieceId.slice(0, b.pieceId.lastIndexOf('-'))])));
  const byVolume = card.batches.filter((b) => !fromBlanks.has(b.batchId));
  if (card.boards.length === 0 && card.batches.length === 0)
    return <Typography color="text.secondary">No board has been measured and no batch cut from it yet.</Typography>;
  return (
    <>
      {whole.length > 0 && (
        <Typography>
          {counted(whole.length, 'board', 'boards')} measured and whole:{' '}
          <Link component={RouterLink} to={`/wood-room/cutting/new?lot=${card.lot.id}`}>
            plan a cut
          </Link>
        </Typography>
      )}
      {cut.length > 0 && (
        <Box
          component="ul"
          aria-label="Boards that were cut"
          sx={{ listStyle: 'none', pl: 0, m: 0, mt: 1, maxHeight: 320, overflowY: 'auto' }}
        >
          {cut.map((board) => (
            <li key={board.id}>
              <Id>{board.id}</Id> {lengthIn(board.lengthMm, units)} × {lengthIn(board.widthMm, units)} ×{' '}
              {formatLength(board.thicknessMm, units)}
              <Box component="ul" sx={{ pl: 2.5, my: 0.25, listStyle: 'none', borderLeft: 1, borderColor: 'divider' }}>
                {card.blanks
                  .filter((blank) => blank.boardId === board.id)
                  .map((blank) => (
                    <li key={blank.id}>
                      <Id>{blank.id}</Id> {blank.component} of {blank.modelName}
                      {blank.massG !== null && `, ${formatMass(blank.massG, units)}`}
                      {blank.pieceId === null ? (
                        <> · in stock{blank.orderId !== null && `, kept for ${blank.orderId}`}</>
                      ) : (
                        <>
                          {' → '}
                          <Link component={RouterLink} to={`/batches/${blank.pieceId.slice(0, blank.pieceId.lastIndexOf('-'))}`}>
                            <Id>{blank.pieceId}</Id>
                          </Link>
                        </>
                      )}
                      {blank.serial !== null && (
                        <>
                          {' → '}
                          <Link component={RouterLink} to={`/records/${blank.serial}`}>
                            <Id>{blank.serial}</Id>
                          </Link>
                        </>
                      )}
                    </li>
                  ))}
              </Box>
            </li>
          ))}
        </Box>
      )}
      {byVolume.length > 0 && (
        <Typography sx={{ mt: 1 }} component="div">
          Cut by volume:{' '}
          {byVolume.map((b) => (
            <Box component="span" key={b.batchId} sx={{ mr: 1 }}>
              <Link component={RouterLink} to={`/batches/${b.batchId}`}>
                <Id>{b.batchId}</Id>
              </Link>{' '}
              {b.modelName} {b.component}
            </Box>
          ))}
        </Typography>
      )}
      {card.serials.length > 0 && (
        <Typography variant="body2" color="text.secondary" sx={{ mt: 1 }}>
          In {counted(card.serials.length, 'instrument', 'instruments')}:{' '}
          {card.serials.slice(0, 12).map((serial) => (
            <Fragment key={serial}>
              <Link component={RouterLink} to={`/records/${serial}`}>
                <Id>{serial}</Id>
              </Link>{' '}
            </Fragment>
          ))}
          {card.serials.length > 12 && '…'}
        </Typography>
      )}
    </>
  );
}
