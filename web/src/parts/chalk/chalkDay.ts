/** A must is pitched in the evening of day 0. */
const PITCHED_H = 18;

export const clockHour = (hour: number): number => hour + PITCHED_H;
export const dayOf = (hour: number): number => Math.floor(clockHour(hour) / 24);
export const dayTold = (hour: number): string => `day ${dayOf(hour)}`;
