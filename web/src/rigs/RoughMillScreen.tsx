import { Button } from '@mui/material';
import { Link as RouterLink } from 'react-router';
import { useSession } from '../ground/session.tsx';
import { StageScreen } from '../parts/StageScreen.tsx';
import { ClampTabs } from './ClampTabs.tsx';

export default function RoughMillScreen() {
  const { may } = useSession();
  return (
    <StageScreen
      stage="roughMill"
      tabs={<ClampTabs stage="roughMill" />}
      cautions={['cutting', 'dust']}
      actions={
        may('lead') && (
          <Button component={RouterLink} to="/orders" variant="contained">
            Start batches from an order
          </Button>
        )
      }
    />
  );
}
