/** Above this pH free lime may be in the soil: extractants dissolve it, and bases read too high. Common practice. */
export const FREE_LIME_ABOVE_PH = 7.3;
/** From this pH on nobody thinks of sulfur before a fizz test. Common practice. */
export const FIZZ_TEST_FROM_PH = 7.6;
