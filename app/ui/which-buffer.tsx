import { Button } from 'antd';
import { type BufferMethod, FIRST_BUFFERS } from '@core/lime/buffers';
import { methodName } from '@core/records/methods';
import { Fault } from './field';

/** Asks which buffer a buffer pH was read in: three buttons, since a number alone does not tell and none is guessed. */
export function WhichBuffer({ onChoose, fault }: { onChoose: (method: BufferMethod) => void; fault?: string }) {
  return (
    <div className="whichbuffer" role="group" aria-label="Which buffer is it?">
      <p>
        <b>Which buffer is it?</b> <span className="small">The report names it beside the number.</span>
      </p>
      <div className="actions">
        {FIRST_BUFFERS.map((method) => (
          <Button key={method} onClick={() => onChoose(method)}>
            {methodName(method)}
          </Button>
        ))}
      </div>
      <Fault>{fault}</Fault>
    </div>
  );
}
