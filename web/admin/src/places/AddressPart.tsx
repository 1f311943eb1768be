import type { PlaceSheet } from '../api/client';
import { Part } from '../parts/Part';
import { AddressField } from './AddressField';

export function AddressPart({ sheet, disabled }: { sheet: PlaceSheet; disabled: boolean }) {
  const { place } = sheet;
  return (
    <Part name="Address">
      {sheet.addressIsFixed ? (
        <p className="text-soft">
          <span className="address">{place.address}</span> is where the {place.kindWords} always is.
        </p>
      ) : (
        <AddressField key={place.address} place={place} suggested={sheet.suggestedAddress} hasBelow={sheet.below > 0} disabled={disabled} />
      )}
    </Part>
  );
}
