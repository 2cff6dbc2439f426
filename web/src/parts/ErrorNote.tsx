import { Alert, AlertTitle, Button } from '@mui/material';
import { problemOf } from '../ground/api.ts';

/** What failed, what is safe, and a way to try again. */
export function ErrorNote({ error, onRetry }: { error: unknown; onRetry?: () => void }) {
  const problem = problemOf(error);
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
      {problem.detail}
    </Alert>
  );
}
