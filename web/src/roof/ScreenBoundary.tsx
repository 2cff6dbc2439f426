import { Component, type ReactNode } from 'react';
import { ErrorNote } from '../parts/ErrorNote.tsx';

/** Keeps a fault in one screen from taking the shell down. */
export class ScreenBoundary extends Component<{ children: ReactNode }, { error: Error | null }> {
  override state = { error: null as Error | null };

  static getDerivedStateFromError(error: Error) {
    return { error };
  }

  override render() {
    return this.state.error ? <ErrorNote error={this.state.error} onRetry={() => this.setState({ error: null })} /> : this.props.children;
  }
}
