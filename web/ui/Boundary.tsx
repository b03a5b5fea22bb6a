import { Component, type ReactNode } from 'react';
import { Notice } from './Notice.tsx';

/** Catches a fault of a screen, so that the person reads a sentence and can go on. */
export class Boundary extends Component<{ children: ReactNode }, { failed: boolean }> {
  state = { failed: false };

  static getDerivedStateFromError() {
    return { failed: true };
  }

  render() {
    if (!this.state.failed) return this.props.children;
    return (
      <Notice severity="error" action={{ label: 'Load again', run: () => window.location.reload() }}>
        This screen met a fault of ours and cannot go on. What the top bar called kept is kept; load the page
        again to continue.
      </Notice>
    );
  }
}
