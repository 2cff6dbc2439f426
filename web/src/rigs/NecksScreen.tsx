import { StageScreen } from '../parts/StageScreen.tsx';
import { ClampTabs } from './ClampTabs.tsx';

export default function NecksScreen() {
  return <StageScreen stage="necks" tabs={<ClampTabs stage="necks" />} cautions={['dust', 'solvents']} />;
}
