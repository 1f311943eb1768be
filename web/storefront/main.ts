import './storefront.css';
import { fillBasket } from './basket';
import { discloseHeader } from './disclosure';
import { narrowListing } from './listing';
import { bringToLife } from './pieces';
import { suggest } from './suggestions';

document.documentElement.classList.add('has-script');
discloseHeader(document);
bringToLife(document);
fillBasket();
narrowListing();
suggest();

// A drawer that is left open behind a followed link would cover the next page on going back.
const drawer = document.querySelector<HTMLDetailsElement>('.drawer');
document.addEventListener('keydown', (event) => {
  if (event.key === 'Escape' && drawer?.open) {
    drawer.open = false;
    drawer.querySelector('summary')?.focus();
  }
});
addEventListener('pageshow', () => {
  if (drawer) drawer.open = false;
});
