/** Above this pH free lime may be in the soil: extractants dissolve it, and bases read too high. Common practice. */
export const FREE_LIME_ABOVE_PH = 7.3;
/** From this pH on nobody thinks of sulfur before a fizz test: free carbonate begins there (B6). Common practice. */
export const FIZZ_TEST_FROM_PH = 7.3;
/** Up to this pH a grass whose window's top is only an optimum is left alone, fizz or none (B6). Common practice. */
export const LEFT_ALONE_UP_TO_PH = 7.5;
