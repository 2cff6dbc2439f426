import { Alert, AlertTitle, Button } from '@mui/material';
import { useTell } from '../ground/session.tsx';
import { problemOf } from '../ground/api.ts';

/** What failed, what is safe, and a way to try again. */
export function ErrorNote({ error, onRetry }: { error: unknown; onRetry?: () => void }) {
  const problem = problemOf(error);
  const tell = useTell();
  return (
    <Alert
      severity="error"
      variant="outlined"
      action={
        onRetry && (
          <Button color="inherit" onClick={onRetry}>
            Try again
          </Button>
        )
      }
    >
      <AlertTitle>{problem.title}</AlertTitle>
      {tell(problem.detail)}
    </Alert>
  );
}
