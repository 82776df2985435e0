import { useEffect, useRef } from 'react';
import { classesLeft, type HandQuestion, type HandTest as Answers } from '@core/ground/hand-test';
import { StageGlyph } from '../../../ui/glyphs';
import { TextureTriangle } from '../../../ui/texture-triangle';
import { type HandTestState, QUESTION_ORDER } from './use-hand-test';
import { unslug } from '@core/words/unslug';
import { Said } from '../../../ui/substance';

const QUESTIONS: Record<HandQuestion, { name: string; asks: string; how: string }> = {
  ball: {
    name: 'Ball',
    asks: 'Wet a handful until it works like putty, and squeeze it. Does it stay a ball?',
    how: 'Take it from 2 to 4 in deep, without roots and stones. Add water drop by drop; dry crumbs if it gets too wet.',
  },
  ribbon: {
    name: 'Ribbon',
    asks: 'Press out a ribbon between thumb and finger. How long is it when it breaks?',
    how: 'Let it grow over your finger until it falls of its own weight. Drawn full size at 96 px to the inch.',
  },
  rub: {
    name: 'Rub',
    asks: 'Wet a pinch very well in your palm and rub it. What do you feel most?',
    how: 'Grit is sand between the teeth of your fingers; smooth is like flour.',
  },
};
export const ANSWERS: Record<HandQuestion, Record<string, [name: string, more: string]>> = {
  ball: { holds: ['It holds together', 'it can be tossed'], 'falls-apart': ['It falls apart', 'single grains'] },
  ribbon: {
    none: ['No ribbon', 'it crumbles'],
    'under-1': ['Under 1 in', 'breaks at once'],
    '1-to-2': ['1 to 2 in', 'bends first'],
    'over-2': ['Over 2 in', 'shines, bends'],
  },
  rub: {
    gritty: ['Gritty', 'grit is most of it'],
    neither: ['Neither', 'some of both'],
    smooth: ['Smooth', 'floury, no grit'],
  },
};
const RIBBON_IN: Record<string, number> = { none: 0.3, 'under-1': 0.75, '1-to-2': 1.5, 'over-2': 2.4 };

/** The ribbon of wet soil, full size. */
function Ribbon({ answer }: { answer: string }) {
  const length = (RIBBON_IN[answer] ?? 1) * 96;
  return (
    <svg width="272" height="52" viewBox="0 0 272 52" aria-hidden="true">
      <path d="M34 6H18A20 20 0 0 0 18 46H34Z" fill="var(--soil-2)" stroke="var(--loam)" strokeWidth="1.2" />
      {answer === 'none' ? (
        [42, 48, 53, 59, 64].map((x, i) => (
          <circle
            key={x}
            cx={x}
            cy={38 - (i % 2) * 5}
            r={3}
            fill="var(--soil)"
            stroke="var(--loam)"
            strokeWidth="0.8"
          />
        ))
      ) : (
        <>
          <path
            d={`M34 10H${34 + length}l-5 9 5 7-6 9 6 7H34Z`}
            fill="var(--soil)"
            stroke="var(--loam)"
            strokeWidth="1.2"
          />
          {Array.from({ length: Math.floor(length / 22) }, (_, i) => (
            <path key={i} d={`M${52 + i * 22} 14q5 12 0 24`} fill="none" stroke="var(--soil-2)" strokeWidth="1.2" />
          ))}
        </>
      )}
    </svg>
  );
}

const RIBBON_RULER = (
  <svg width="272" height="26" viewBox="0 0 272 26" aria-hidden="true" className="ruler">
    {Array.from({ length: 11 }, (_, i) => (
      <path key={i} d={`M${34.5 + i * 24} 25V${i % 4 === 0 ? 10 : 18}`} stroke="var(--loam-3)" />
    ))}
    {[1, 2].map((inch) => (
      <text key={inch} x={34 + inch * 96} y={10} textAnchor="middle">
        {inch} in
      </text>
    ))}
  </svg>
);

/** The questions answered so far, each with what it left. */
export function AnswersSoFar({ at: { test, question, focused } }: { at: HandTestState }) {
  return (
    <ol className="answered" aria-label="Answers so far">
      {QUESTION_ORDER.map((each, i) => {
        const given = test[each];
        const soFar: Answers = Object.fromEntries(QUESTION_ORDER.slice(0, i + 1).map((q) => [q, test[q]]));
        return (
          <li key={each}>
            <StageGlyph state={given ? 'done' : each === question ? 'under-way' : 'empty'} />
            <div>
              <b className="serif">
                {i + 1} {QUESTIONS[each].name}
              </b>
              <br />
              {given
                ? ANSWERS[each][given]?.[0].toLowerCase()
                : each === question
                  ? `${ANSWERS[each][focused]?.[0].toLowerCase()}?`
                  : 'not asked yet'}
              <span className="small"> {given ? `${classesLeft(soFar).length} left` : ''}</span>
              {given && (
                <TextureTriangle
                  side={84}
                  chosen={classesLeft(soFar)}
                  label={`Left: ${classesLeft(soFar).map(unslug).join(', ')}`}
                />
              )}
            </div>
          </li>
        );
      })}
    </ol>
  );
}

/** The question on screen. Arrows choose, Enter answers. */
export function Question({ at: { question, answers, focused, point, give, keys } }: { at: HandTestState }) {
  const asked = QUESTIONS[question];
  const list = useRef<HTMLDivElement>(null);
  useEffect(() => list.current?.focus(), [question]);
  return (
    <div className="question">
      <h2 id="handquestion">{asked.asks}</h2>
      <p>
        <Said text={asked.how} />
      </p>
      {question === 'ribbon' && <div className="rulerrow">{RIBBON_RULER}</div>}
      <div
        role="listbox"
        aria-labelledby="handquestion"
        aria-activedescendant={`answer-${focused}`}
        tabIndex={0}
        ref={list}
        onKeyDown={keys}
        className="choices"
      >
        {answers.map((answer, i) => (
          <div
            key={answer}
            id={`answer-${answer}`}
            role="option"
            aria-selected={answer === focused}
            className={answer === focused ? 'choice is-focused' : 'choice'}
            onMouseEnter={() => point(i)}
            onClick={() => give(answer)}
          >
            <span>
              <b>{ANSWERS[question][answer]?.[0]}</b>
              <br />
              {ANSWERS[question][answer]?.[1]}
            </span>
            {question === 'ribbon' && <Ribbon answer={answer} />}
          </div>
        ))}
      </div>
      <p className="small">
        <span className="kbd">↑↓</span> choose <span className="kbd">Enter</span> answer{' '}
        <span className="kbd">Backspace</span> one question back
      </p>
    </div>
  );
}
