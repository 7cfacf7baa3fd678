import { Button } from '@mantine/core';
import { Component, type ReactNode } from 'react';

/** A page that falls says so and offers a way on; the frame around it stays. What was typed is kept in the tab. */
export class Guard extends Component<{ path: string; children: ReactNode }, { failed: boolean }> {
  override state = { failed: false };

  static getDerivedStateFromError = () => ({ failed: true });

  // Another page is another try.
  override componentDidUpdate(before: { path: string }) {
    if (this.state.failed && before.path !== this.props.path) this.setState({ failed: false });
  }

  override render() {
    if (!this.state.failed) return this.props.children;
    return (
      <div className="panel empty" role="alert">
        <p>This page failed. What was recorded is safe.</p>
        <Button size="lg" onClick={() => window.location.reload()}>
          Load it again
        </Button>
      </div>
    );
  }
}
