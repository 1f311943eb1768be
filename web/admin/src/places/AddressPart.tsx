import { useQuery } from '@tanstack/react-query';
import type { PlaceSheet } from '../data/client';
import { sessionQuery } from '../data/queries';
import { say, warn } from '../data/told';
import { Part } from '../parts/Part';
import { AddressField } from './AddressField';

/** Who gets to see something at the address, as it is chosen now. */
function whoCanOpen(sheet: PlaceSheet): string {
  if (sheet.place.light === 'closed') return 'Nobody can open it: it is closed.';
  const who =
    sheet.audience === 'customers'
      ? 'Customers who are signed in'
      : sheet.audience === 'guests'
        ? 'Guests who are not signed in'
        : 'Everybody';
  const how = sheet.place.light === 'quiet' ? ' who knows it can open it; no menu leads there.' : ' can open it.';
  return sheet.liveAddress === null ? `${who}${how.replace('can', 'could')} It is not published yet.` : `${who}${how}`;
}

export function AddressPart({ sheet, disabled }: { sheet: PlaceSheet; disabled: boolean }) {
  const { place } = sheet;
  const session = useQuery(sessionQuery);
  const whole = `${session.data?.storefrontUrl ?? ''}${sheet.liveAddress ?? place.address}`;
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(whole);
      say(`Copied: ${whole}`);
    } catch {
      warn(new Error(`This browser does not let the address be copied. It is ${whole}`));
    }
  };
  return (
    <Part name="Address">
      <p className="mb-2 flex flex-wrap items-center gap-x-3 text-sm text-soft">
        <button type="button" className="button text-ink" onClick={() => void copy()}>
          Copy the address
        </button>
        {whoCanOpen(sheet)}
      </p>
      {sheet.addressIsFixed ? (
        <p className="text-soft">
          <span className="address">{place.address}</span> is where the {place.kindWords} always is.
        </p>
      ) : (
        <AddressField place={place} suggested={sheet.suggestedAddress} hasBelow={sheet.below > 0} disabled={disabled} />
      )}
    </Part>
  );
}
