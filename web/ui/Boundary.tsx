import { Component, type ReactNode } from 'react';

interface BoundaryProps<T> {
  /** What is drawn. When it is another, it is tried again. */
  of: T;
  children: (of: T) => ReactNode;
  /** Stands in after a fault: told what was drawn before, where something was, and how to try again. */
  notice: (before: T | undefined, again: () => void) => ReactNode;
}

/** Catches a fault of what is drawn in it, so that the person reads a sentence and can go on. */
export class Boundary<T> extends Component<BoundaryProps<T>, { failed: boolean; before?: T; of: T }> {
  state: { failed: boolean; before?: T; of: T } = { failed: false, of: this.props.of };

  static getDerivedStateFromProps<T>(
    { of }: BoundaryProps<T>,
    state: { failed: boolean; before?: T; of: T },
  ) {
    if (of === state.of) return null;
    // What could not be drawn is no state to go back to.
    return { failed: false, of, before: state.failed ? state.before : state.of };
  }

  static getDerivedStateFromError() {
    return { failed: true };
  }

  private readonly again = () => this.setState({ failed: false });

  render() {
    const { failed, before } = this.state;
    return failed ? this.props.notice(before, this.again) : this.props.children(this.props.of);
  }
}
