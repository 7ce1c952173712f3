/** A trouble that was not played a moment ago; its seed stands in the address. */
export const seedNow = (): number => 1 + (Math.floor(Date.now() / 1000) % 99_991);
