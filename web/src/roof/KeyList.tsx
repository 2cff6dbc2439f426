import { Dialog, DialogContent, DialogTitle, Table, TableBody, TableCell, TableRow } from '@mui/material';
import { useCallback, useState } from 'react';
import { KEY_HELP, useKey } from '../ground/keys.ts';
import { MONO } from '../ground/theme.ts';

export function KeyList() {
  const [open, setOpen] = useState(false);
  useKey(
    '?',
    useCallback(() => setOpen(true), []),
  );
  return (
    <Dialog open={open} onClose={() => setOpen(false)} aria-labelledby="keys-title">
      <DialogTitle id="keys-title">Keys</DialogTitle>
      <DialogContent>
        <Table size="small">
          <TableBody>
            {KEY_HELP.map(([key, meaning]) => (
              <TableRow key={key}>
                <TableCell sx={{ fontFamily: MONO }}>{key}</TableCell>
                <TableCell>{meaning}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </DialogContent>
    </Dialog>
  );
}
