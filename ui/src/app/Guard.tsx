import { Button } from '@mantine/core';
import { Component, type ReactNode } from 'react';

/** A page that falls says so and offers a way on; the frame around it stays. What was typed is kept in the tab. */
export class Guard extends Component<{ path: string; children: ReactNode }, { fallen: boolean }> {
  override state = { fallen: false };

  static getDerivedStateFromError = () => ({ fallen: true });

  // Another page is another try.
  override componentDidUpdate(before: { path: string }) {
    if (this.state.fallen && before.path !== this.props.path) this.setState({ fallen: false });
  }

  override render() {
    if (!this.state.fallen) return this.props.children;
    return (
      <div className="panel empty" role="alert">
        <p>Something on this page fell over. What was recorded is safe.</p>
        <Button size="lg" onClick={() => window.location.reload()}>
          Load it again
        </Button>
      </div>
    );
  }
}
