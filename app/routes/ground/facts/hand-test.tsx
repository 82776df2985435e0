import { Button } from 'antd';
import { type KeyboardEvent, useEffect, useRef, useState } from 'react';
import { soilMass } from '@core/soil/soil-mass';
import { BALL_ANSWERS, RIBBON_ANSWERS, RUB_ANSWERS } from '@core/records/vocabularies';
import { classesLeft, type HandQuestion, type HandTest as Answers, nextQuestion } from '@core/ground/hand-test';
import { TEXTURE_CLASSES, type TextureClass } from '@core/records/vocabularies';
import { DEFAULT_BULK_DENSITY, groupOfTexture } from '@core/ground/texture-groups';
import { sureFigure, traced } from '@core/reckoning/figure';
import { Fig } from '../../../ui/fig';
import { showArea } from '@core/words/numbers';
import { StageGlyph } from '../../../ui/glyphs';
import { TextureTriangle } from '../../../ui/texture-triangle';

const QUESTIONS: Record<HandQuestion, { name: string; asks: string; how: string }> = {
  ball: {
    name: 'Ball',
    asks: 'Wet a handful until it works like putty, and squeeze it. Does it stay a ball?',
    how: 'Take it from 2 to 4 in down, without roots and stones. Add water drop by drop; dry crumbs if it gets too wet.',
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
const ANSWERS: Record<HandQuestion, Record<string, [name: string, more: string]>> = {
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
const ORDER = { ball: [...BALL_ANSWERS].reverse(), ribbon: RIBBON_ANSWERS, rub: RUB_ANSWERS } as const;
const RIBBON_IN: Record<string, number> = { none: 0.3, 'under-1': 0.75, '1-to-2': 1.5, 'over-2': 2.4 };
const QUESTION_ORDER: readonly HandQuestion[] = ['ball', 'ribbon', 'rub'];
const unslug = (texture: string) => texture.replaceAll('-', ' ');

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

interface HandTestProps {
  zoneName: string;
  onAnswer: (test: Answers, texture: TextureClass) => void;
  onLeave: () => void;
}

/** Three questions, one on screen, each with what its answers leave of the triangle. Arrows choose, Enter answers. */
export function HandTest({ zoneName, onAnswer, onLeave }: HandTestProps) {
  const [test, setTest] = useState<Answers>({});
  const question = nextQuestion(test) ?? 'rub';
  const [at, setAt] = useState(0);
  const answers = ORDER[question];
  const focused = answers[Math.min(at, answers.length - 1)] as string;
  const then: Answers = { ...test, [question]: focused };
  const [left, would] = [classesLeft(test), classesLeft(then)];
  const list = useRef<HTMLDivElement>(null);
  useEffect(() => list.current?.focus(), [question]);
  const finish = (answered: Answers, texture: TextureClass) => onAnswer(answered, texture);
  const give = (answer: string) => {
    const answered: Answers = { ...test, [question]: answer };
    const only = classesLeft(answered);
    setAt(0);
    if (only.length === 1) finish(answered, only[0] as TextureClass);
    else setTest(answered);
  };
  const back = () => {
    if (test.ribbon !== undefined) setTest({ ball: test.ball });
    else if (test.ball !== undefined) setTest({});
    setAt(0);
  };
  const keys = (event: KeyboardEvent) => {
    if (event.key === 'ArrowDown') setAt((i) => Math.min(answers.length - 1, i + 1));
    else if (event.key === 'ArrowUp') setAt((i) => Math.max(0, i - 1));
    else if (event.key === 'Enter') give(focused);
    else if (event.key === 'Backspace') back();
    else if (event.key === 'Escape') onLeave();
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const groups = [...new Set(would.map(groupOfTexture))];
  const group = groups.length === 1 ? groups[0] : undefined;
  const asked = QUESTIONS[question];
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
        <div className="question">
          <h2 id="handquestion">{asked.asks}</h2>
          <p>{asked.how}</p>
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
                onMouseEnter={() => setAt(i)}
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
        <aside className="margin">
          <h2>If {ANSWERS[question][focused]?.[0].toLowerCase()}</h2>
          <ul>
            {would.map((texture) => (
              <li key={texture} className="ledgerline">
                <b>{unslug(texture)}</b>
                <i className="leader" />
                <span>{groupOfTexture(texture)}</span>
              </li>
            ))}
          </ul>
          {group && would.length > 1 && (
            <>
              <p className="note">
                All {would.length} count as {group} in every table, so you may stop at this answer.
              </p>
              <Button
                onClick={() =>
                  // the middle of the row stands for what the two fingers could not tell
                  finish(then, would[1] as TextureClass)
                }
              >
                Stop here, use {unslug(would[1] as string)}
              </Button>
            </>
          )}
          {group && (
            <>
              <h2>What the plan takes from it</h2>
              <p className="ledgerline">
                <span>Table row</span>
                <i className="leader" />
                <span>{group}</span>
              </p>
              <p className="ledgerline">
                <span>Bulk density, default</span>
                <i className="leader" />
                <b>{DEFAULT_BULK_DENSITY[group]} g/cm³</b>
              </p>
              <p className="ledgerline">
                <span>Soil to 4 in, per 1000 sq ft</span>
                <i className="leader" />
                <span>
                  <Fig
                    figure={sureFigure(
                      soilMass,
                      {
                        depthIn: traced(4, 'root zone of turf, common practice'),
                        bulkDensity: traced(DEFAULT_BULK_DENSITY[group], `default for ${group}, common practice`),
                      },
                      {
                        title: 'Soil in the root zone',
                        unit: 'lb soil per 1000 ft2',
                        usedIn: 'Prescribe: every balance.',
                      },
                    )}
                    show={showArea}
                  />{' '}
                  lb soil
                </span>
              </p>
            </>
          )}
          <p className="small">
            A new hand test replaces the old one. It never overwrites a laboratory’s sand, silt and clay.
          </p>
        </aside>
      </div>
    </div>
  );
}
