/** Nitrogen that comes along in less than this feeds nothing: an iron spray is no feeding, lb N/1000 ft2. Common practice. */
const LEAST_FEEDING_LB = 0.05;

/** Whether so much nitrogen on one day is a feeding, which the grass has to use before the next. 0.02 lb N with an iron spray: no. */
export const isFeedingLb = (nitrogenLb: number): boolean => nitrogenLb >= LEAST_FEEDING_LB;
