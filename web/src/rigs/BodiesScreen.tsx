import { StageScreen } from '../parts/StageScreen.tsx';
import { ClampTabs } from './ClampTabs.tsx';

export default function BodiesScreen() {
  return <StageScreen stage="bodies" tabs={<ClampTabs stage="bodies" />} cautions={['hot', 'dust', 'solvents']} />;
}
