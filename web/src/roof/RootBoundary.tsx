import { Component, type ReactNode } from 'react';
import { forgetOnDevice } from '../ground/deviceCache.ts';

/**
 * The last thing between a fault and a white page. What this device saw last may be what is damaged: it can be
 * forgotten. What waits to be sent is kept.
 */
export class RootBoundary extends Component<{ children: ReactNode }, { failed: boolean }> {
  override state = { failed: false };

  static getDerivedStateFromError() {
    return { failed: true };
  }

  override render() {
    if (!this.state.failed) return this.props.children;
    return (
      <main role="alert" style={{ maxWidth: 560, margin: '15vh auto', padding: 16, fontFamily: 'sans-serif', lineHeight: 1.5 }}>
        <h1>This page could not be drawn</h1>
        <p>
          What this device remembers of the factory may be damaged. Forget it and fetch it anew; entries that wait to be sent stay on the
          device.
        </p>
        <button
          type="button"
          style={{ minHeight: 48, padding: '0 16px', fontSize: 16 }}
          onClick={() => {
            forgetOnDevice();
            location.reload();
          }}
        >
          Forget it and load again
        </button>
      </main>
    );
  }
}
