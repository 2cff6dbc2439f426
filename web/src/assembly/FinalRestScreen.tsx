import { StageScreen } from '../parts/StageScreen.tsx';

export default function FinalRestScreen() {
  return <StageScreen stage="finalRest" cautions={[]} />;
}
