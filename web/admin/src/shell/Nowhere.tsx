import { useView } from '../parts/useView';

export function Nowhere() {
  const heading = useView('No such view');
  return (
    <main className="p-8">
      <h1 ref={heading} tabIndex={-1}>
        There is no such view
      </h1>
      <p className="mt-2 text-soft">Choose one above.</p>
    </main>
  );
}
