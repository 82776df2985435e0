import { Button } from 'antd';
import { TEXTURE_CLASSES } from '@core/records/vocabularies';
import { TextureTriangle } from '../../../ui/texture-triangle';
import { HandMargin } from './hand-margin';
import { ANSWERS, AnswersSoFar, Question } from './hand-question';
import { type HandTestProps, QUESTION_ORDER, useHandTest } from './use-hand-test';
import { unslug } from '@core/words/unslug';

/** Three questions, one on screen, each with what its answers leave of the triangle. */
export function HandTest(props: HandTestProps) {
  const at = useHandTest(props);
  const { zoneName, onLeave } = props;
  const { question, focused, left, would } = at;
  const out = TEXTURE_CLASSES.filter((t) => !left.includes(t) && !(t === 'silt' && left.includes('silt-loam')));
  return (
    <div className="handtest">
      <div className="pagehead">
        <h1>Soil by hand</h1>
        <span className="note">
          {zoneName}, question {QUESTION_ORDER.indexOf(question) + 1} of 3
        </span>
        <span className="sp" />
        <Button onClick={onLeave}>
          Back to the sheet <span className="kbd">Esc</span>
        </Button>
      </div>
      <div className="body">
        <AnswersSoFar at={at} />
        <Question at={at} />
        <div className="left">
          <h2>
            {left.length} left, {would.length} if {ANSWERS[question][focused]?.[0].toLowerCase()}
          </h2>
          <TextureTriangle
            side={300}
            chosen={would}
            out={out}
            names
            label={`Texture triangle. If ${ANSWERS[question][focused]?.[0].toLowerCase()}: ${would.map(unslug).join(', ')}`}
          />
          <p className="small">
            <span className="key is-chosen" /> this answer <span className="key" /> still possible{' '}
            <span className="key is-out" /> ruled out. Silt cannot be told from silt loam by hand.
          </p>
        </div>
        <HandMargin at={at} />
      </div>
    </div>
  );
}
