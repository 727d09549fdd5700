import Button from '@mui/material/Button';
import { Component, type ReactNode } from 'react';
import { Empty } from './Empty';

interface Props {
  /** Another place is another page: what broke one is forgotten there. */
  place: string;
  children: ReactNode;
}

/** Keeps a page that stops working from taking the whole screen with it. */
export class Boundary extends Component<Props, { broken: string; at: string }> {
  override state = { broken: '', at: '' };

  static getDerivedStateFromError(e: unknown) {
    return { broken: e instanceof Error ? e.message : String(e) };
  }

  static getDerivedStateFromProps(props: Props, state: { broken: string; at: string }) {
    return state.at === props.place ? null : { broken: '', at: props.place };
  }

  override render() {
    if (!this.state.broken) return this.props.children;
    return (
      <Empty title="This page has stopped working">
        <p>
          Nothing that was kept is lost, and what you were typing waits in this browser. Load the
          page again; if it stops again, tell whoever looks after Rhetor what it said:
        </p>
        <p>
          <code>{this.state.broken}</code>
        </p>
        <Button variant="contained" onClick={() => window.location.reload()}>
          Load it again
        </Button>
      </Empty>
    );
  }
}
