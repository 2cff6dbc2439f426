import { StageScreen } from '../parts/StageScreen.tsx';

export default function BodiesScreen() {
  return <StageScreen stage="bodies" cautions={['hot', 'dust', 'solvents']} />;
}
