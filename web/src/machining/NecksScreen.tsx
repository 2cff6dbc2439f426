import { StageScreen } from '../parts/StageScreen.tsx';

export default function NecksScreen() {
  return <StageScreen stage="necks" cautions={['dust', 'solvents']} />;
}
