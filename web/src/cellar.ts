/**
 * Which cellar this page shows: the maker's own, or the made-up one, whose addresses begin with /demo. Nothing of the one is ever in
 * the other, on the server or on the device.
 */
export const DEMO = '/demo';
export const isDemo = location.pathname === DEMO || location.pathname.startsWith(`${DEMO}/`);
/** What the addresses of this cellar begin with. */
export const cellarBase = isDemo ? DEMO : '';
/** What is kept on the device is kept by a name of this cellar's own. */
export const ofCellar = (name: string): string => (isDemo ? `${name}-demo` : name);

/** One press each: looking around leaves one's own as it is, and leaving the demo goes back to it. */
export const lookAround = (): void => location.assign(`${DEMO}/`);
export const leaveDemo = (): void => location.assign('/batches');
