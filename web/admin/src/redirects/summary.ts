import type { Schemas } from '../data/client';

/** What came of a list: "12 tried: 9 lead on in one hop, 2 open, 1 is not found." */
export function summary(answers: Schemas['AnswerView'][]): string {
  const count = (is: (status: number) => boolean) => answers.filter(({ status }) => is(status)).length;
  const told = (
    [
      [count((status) => status >= 300 && status < 400), 'leads on in one hop', 'lead on in one hop'],
      [count((status) => status === 200), 'opens', 'open'],
      [count((status) => status === 403), 'asks to sign in', 'ask to sign in'],
      [count((status) => status === 410), 'is gone', 'are gone'],
      [count((status) => status === 404), 'is not found', 'are not found'],
      [count((status) => status === 400), 'cannot be read', 'cannot be read'],
    ] as const
  )
    .filter(([n]) => n > 0)
    .map(([n, one, many]) => `${n} ${n === 1 ? one : many}`);
  return `${answers.length} tried: ${told.join(', ')}.`;
}
