/** How many pieces are in the basket, by the visitor's own cookie; the page itself is the same for everybody. */
function counted(): number {
  const written = /(?:^|; )basket=([^;]*)/.exec(document.cookie)?.[1] ?? '';
  return written.split('.').reduce((sum, thing) => sum + (Number.parseInt(thing.split('*')[1] ?? '', 10) || 0), 0);
}

function show(): void {
  const count = counted();
  for (const place of document.querySelectorAll<HTMLElement>('[data-basket-count]')) {
    place.textContent = count > 0 ? ` (${count})` : '';
  }
}

/** “Add to basket” without a new page; without a script the form leads to the basket. */
export function fillBasket(): void {
  show();
  addEventListener('pageshow', show);
  const told = document.createElement('p');
  told.className = 'unseen';
  told.setAttribute('role', 'status');
  document.body.append(told);
  document.addEventListener('submit', async (event) => {
    const form = event.target as HTMLFormElement;
    if (!form.matches('.to-basket')) return;
    event.preventDefault();
    const pressed = form.querySelector('button');
    try {
      const answer = await fetch(form.action, {
        method: 'POST',
        body: new URLSearchParams(new FormData(form) as unknown as Record<string, string>),
        redirect: 'manual',
      });
      if (answer.type !== 'opaqueredirect' && !answer.ok) throw new Error();
    } catch {
      form.submit();
      return;
    }
    show();
    told.textContent = `In the basket. It holds ${counted()} now.`;
    if (!pressed) return;
    const words = [...pressed.childNodes];
    pressed.textContent = 'In the basket ✓';
    setTimeout(() => pressed.replaceChildren(...words), 2000);
  });
}
