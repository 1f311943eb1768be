import './storefront.css';
import { discloseHeader } from './disclosure';

document.documentElement.classList.add('has-script');
discloseHeader(document);

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
