import { Button, Popconfirm } from 'antd';
import { sayDate } from '@core/words/days';

interface UnsavedProps {
  /** What was typed here before and not saved. */
  offered?: { at: string; take: () => void; discard: () => void };
  /** Another tab wrote the record meanwhile. */
  overtaken?: boolean;
}

/** What stands over a form whose typing was not saved, or whose record was written elsewhere. */
export function Unsaved({ offered, overtaken }: UnsavedProps) {
  return (
    <>
      {offered && (
        <p className="unsaved" role="status">
          <span>What you typed here on {sayDate(offered.at.slice(0, 10))} was not saved.</span>
          <span className="links">
            <Button size="small" onClick={offered.take}>
              Take it back
            </Button>
            <Popconfirm
              title="Throw away what you typed?"
              okText="Throw away"
              cancelText="Cancel"
              onConfirm={offered.discard}
            >
              <Button size="small">Discard</Button>
            </Popconfirm>
          </span>
        </p>
      )}
      {overtaken && (
        <p className="unsaved" role="status">
          Another tab changed this meanwhile. What you typed is still here; Save shows both.
        </p>
      )}
    </>
  );
}
