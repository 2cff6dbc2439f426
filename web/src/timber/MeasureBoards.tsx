import { Button, Dialog, DialogActions, DialogContent, DialogTitle, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { parseBoards } from './parseBoards.ts';

/** Boards typed one a line, as they are called out over the tape. */
export function MeasureBoards({ card }: { card: View<'LotCardView'> }) {
  const [open, setOpen] = useState(false);
  const [text, setText] = useState('');
  const { lot } = card;
  const measure = useCommand(
    (body: View<'BoardsDto'>, headers) => ask(client.POST('/api/lots/{id}/boards', { params: { path: { id: lot.id } }, body, headers })),
    () => {
      setOpen(false);
      setText('');
    },
  );
  const { boards, problems } = parseBoards(text, lot.thicknessMm);
  return (
    <>
      <Button size="small" onClick={() => setOpen(true)}>
        Measure boards…
      </Button>
      <Dialog open={open} onClose={() => setOpen(false)} fullWidth maxWidth="sm" aria-labelledby="boards-title">
        <DialogTitle id="boards-title">Boards of lot {lot.id}</DialogTitle>
        <DialogContent>
          <Typography sx={{ mb: 1.5 }}>
            One board a line: length, width left, width right, thickness, in mm. Then its faults, each as length × width @ from the left
            end, from the lower edge. <code>2400 210 195 52 knot 60x40@820,90</code>
          </Typography>
          <TextField
            label="Boards"
            value={text}
            onChange={(event) => setText(event.target.value)}
            multiline
            minRows={5}
            fullWidth
            autoFocus
            error={problems.length > 0}
            helperText={
              problems.length > 0 ? problems.join('. ') : `${boards.length} understood. Width right and thickness may be left out.`
            }
            slotProps={{ htmlInput: { spellCheck: false } }}
          />
          {measure.error && <ErrorNote error={measure.error} />}
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setOpen(false)}>Cancel</Button>
          <Button
            variant="contained"
            disabled={boards.length === 0 || problems.length > 0}
            loading={measure.isPending}
            onClick={() => measure.mutate({ version: lot.version, boards })}
          >
            Keep {boards.length > 0 ? boards.length : ''} boards
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}
