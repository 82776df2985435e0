import { type KeyboardEvent, useState } from 'react';
import { classesLeft, type HandQuestion, type HandTest as Answers, nextQuestion } from '@core/ground/hand-test';
import { groupOfTexture } from '@core/ground/texture-groups';
import { BALL_ANSWERS, RIBBON_ANSWERS, RUB_ANSWERS, type TextureClass } from '@core/records/vocabularies';

/** Answers of each question, from what holds most to what holds least. */
const ORDER = { ball: [...BALL_ANSWERS].reverse(), ribbon: RIBBON_ANSWERS, rub: RUB_ANSWERS } as const;
export const QUESTION_ORDER: readonly HandQuestion[] = ['ball', 'ribbon', 'rub'];

export interface HandTestProps {
  zoneName: string;
  onAnswer: (test: Answers, texture: TextureClass) => void;
  onLeave: () => void;
}

export type HandTestState = ReturnType<typeof useHandTest>;

/** The test as far as it was answered, the answer that is pointed at, and what either leaves of the texture classes. */
export function useHandTest({ onAnswer, onLeave }: HandTestProps) {
  const [test, setTest] = useState<Answers>({});
  const question = nextQuestion(test) ?? 'rub';
  const [at, setAt] = useState(0);
  const answers = ORDER[question];
  const focused = answers[Math.min(at, answers.length - 1)] as string;
  const then: Answers = { ...test, [question]: focused };
  const [left, would] = [classesLeft(test), classesLeft(then)];
  const give = (answer: string) => {
    const answered: Answers = { ...test, [question]: answer };
    const only = classesLeft(answered);
    setAt(0);
    if (only.length === 1) onAnswer(answered, only[0] as TextureClass);
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
  return {
    test,
    question,
    answers,
    focused,
    point: setAt,
    give,
    keys,
    left,
    would,
    /** The one group of the tables that all classes left by the answer count as. */
    group,
    stopHere: () =>
      // the middle of the row stands for what the two fingers could not tell
      onAnswer(then, would[1] as TextureClass),
  };
}
