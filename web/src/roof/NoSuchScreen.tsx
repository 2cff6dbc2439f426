import { Link, Typography } from '@mui/material';
import { Link as RouterLink, useLocation } from 'react-router';
import { Answer } from '../parts/Answer.tsx';

/** An address that leads nowhere: said plainly, so that nobody takes another screen for what they asked for. */
export function NoSuchScreen() {
  const { pathname } = useLocation();
  return (
    <>
      <Typography variant="h1">No such screen</Typography>
      <Answer>Nothing is kept at {pathname}. The address may be mistyped, or from another program.</Answer>
      <Typography>
        Find it by its number in the field above, or begin with{' '}
        <Link component={RouterLink} to="/">
          Morning
        </Link>
        .
      </Typography>
    </>
  );
}
