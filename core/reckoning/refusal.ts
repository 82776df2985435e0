/** A reckoning that will not answer, and the sentence that says what to change. It is a result, never an exception. */
export interface Refusal {
  readonly refused: string;
  readonly field: string;
}

/** Makes a refusal. `field` is the input to change; the sentence is read by a person. */
export const refuse = (field: string, sentence: string): Refusal => ({ refused: sentence, field });

export const isRefusal = (result: unknown): result is Refusal =>
  typeof result === 'object' && result !== null && 'refused' in result;
