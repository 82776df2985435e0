import { Button, Input } from 'antd';
import { useState } from 'react';
import type { Pair } from '@core/reckoning/inputs';
import { Fault } from '../../../ui/field';
import type { DraftAction } from '../draft/draft-state';
import { cornerFromText } from '../draft/snap';
import type { TypedGround } from '../draft/typed-ground';
import { useUnits } from '../../../ui/format';

interface TypedPointProps {
  /** The point before, from which a length and a bearing go. */
  start: Pair | undefined;
  onPoint: (at: Pair) => void;
  /** The outline being drawn, where closing and starting again make sense. */
  outline: TypedGround | undefined;
  onDraw: (action: DraftAction) => void;
}

/** A point as a surveyor says it: feet east and south, or a length and a bearing from the last one. */
export function TypedPoint({ start, onPoint, outline, onDraw }: TypedPointProps) {
  const units = useUnits();
  const [text, setText] = useState('');
  const [fault, setFault] = useState<string>();
  const set = () => {
    const at = cornerFromText(text, start, units);
    setFault(
      at
        ? undefined
        : `Type “166, 88” for ${units.lengthInWords()} east and south, or “84 ${units.unit('length')} @ 92°” from the last corner.`,
    );
    if (!at) return;
    setText('');
    onPoint(at);
  };
  return (
    <form
      className="typedcorner"
      onSubmit={(event) => {
        event.preventDefault();
        set();
      }}
    >
      <Input
        aria-label="Next point"
        placeholder={`166, 88 or 84 ${units.unit('length')} @ 92°`}
        value={text}
        onChange={(event) => setText(event.target.value)}
        status={fault ? 'error' : undefined}
      />
      <Button htmlType="submit">Set point</Button>
      {outline && (
        <>
          <Button disabled={outline.closed || outline.corners.length < 3} onClick={() => onDraw({ do: 'close' })}>
            Close outline
          </Button>
          <Button disabled={outline.corners.length === 0} onClick={() => onDraw({ do: 'clear' })}>
            Start again
          </Button>
        </>
      )}
      <Fault>{fault}</Fault>
    </form>
  );
}
