import { Button } from 'antd';
import { Component, type ReactNode } from 'react';
import { isRouteErrorResponse, Link } from 'react-router';
import { storageFault } from '../storage/storage-fault';
import { StopGlyph } from '../ui/glyphs';

/** What a person reads where something failed: what it was, what is safe, what to do. */
export function faultSays(error: unknown, where: string): string {
  if (isRouteErrorResponse(error)) return String(error.data || 'There is no such page.');
  return (
    storageFault(error) ??
    `${where} could not be drawn from what is stored. Everything you saved is safe in this browser, and the other pages work. Go to another page, or export the property to a file and reload.`
  );
}

/** Stands in a stage's place when it fails: the frame, the ribbon and the other stages stay. */
export function StageFault({ error, stage }: { error: unknown; stage: string }) {
  return (
    <div className="stagefault" role="alert">
      <h1>{stage} stopped</h1>
      <p className="fault">
        <StopGlyph />
        {faultSays(error, stage)}
      </p>
      <p className="links">
        <Button onClick={() => window.location.reload()}>Reload</Button>
        <Link className="link" to="/">
          All properties
        </Link>
      </p>
    </div>
  );
}

interface SurvivesProps {
  /** What fails with it, for its sentence: a property's name. */
  what: string;
  /** Beside the sentence: what can still be done. */
  children: ReactNode;
  fallback?: ReactNode;
}

/** Keeps a list alive when one of its rows fails. */
export class Survives extends Component<SurvivesProps, { error?: unknown }> {
  override state: { error?: unknown } = {};
  static getDerivedStateFromError(error: unknown): { error: unknown } {
    return { error };
  }
  override render(): ReactNode {
    if (this.state.error === undefined) return this.props.children;
    return (
      <div className="fault" role="alert">
        <StopGlyph />
        {faultSays(this.state.error, this.props.what)} {this.props.fallback}
      </div>
    );
  }
}
