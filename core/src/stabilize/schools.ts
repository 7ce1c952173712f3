/** How a mead is kept from new life before sugar or glass, by the main schools. */
export const STABILIZE_SCHOOLS = ['chemical', 'heat', 'dry', 'filter', 'sweetener'] as const;
export type StabilizeSchool = (typeof STABILIZE_SCHOOLS)[number];
/** What most do, where nothing was chosen. */
export const USUAL_SCHOOL: StabilizeSchool = 'chemical';

/** Whether honey may follow by this school. */
export const bearsHoney = (school: StabilizeSchool): boolean => school === 'chemical' || school === 'heat' || school === 'filter';
