/** How a redirect answers, in the words of the interface. */
export const statuses = [
  ['301', 'for good (301)'],
  ['302', 'for now (302)'],
  ['308', 'for good, keeping the method (308)'],
  ['307', 'for now, keeping the method (307)'],
  ['410', 'gone (410)'],
] as const;

export type Status = (typeof statuses)[number][0];
