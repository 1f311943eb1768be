/** What numbers and money read as, however people of different countries write them. */

type Read = string | { wrong: string };

/** A whole number as text; empty for none. */
export function asNumber(typed: string): Read {
  const plain = typed.replace(/[\s’']/g, '');
  return plain === '' || /^\d+$/.test(plain) ? plain.replace(/^0+(?=\d)/, '') : { wrong: 'Write a whole number, such as 12.' };
}

/**
 * Money in hundredths, as text; empty for none. The last comma or dot with one or two digits behind it begins the
 * hundredths; any other parts thousands.
 */
export function asMoney(typed: string): Read {
  const plain = typed.replace(/[\s’'€$£]/g, '');
  if (plain === '') return '';
  const parts = /^(\d{1,3}(?:[.,]\d{3})+|\d+)?(?:[.,](\d{0,2}))?$/.exec(plain);
  const whole = parts?.[1]?.replace(/[.,]/g, '') ?? '';
  const rest = parts?.[2] ?? '';
  if (!parts || whole + rest === '') return { wrong: 'Write a price, such as 12.50 or 12,50.' };
  return String(Number(whole) * 100 + Number(rest.padEnd(2, '0')));
}

export const moneyShown = (hundredths: string): string => (hundredths === '' ? '' : (Number(hundredths) / 100).toFixed(2));
