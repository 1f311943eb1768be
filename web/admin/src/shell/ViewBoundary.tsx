import { Component, type ReactNode } from 'react';
import { Trouble } from '../parts/Notice';

/** What fails in a view stays within it: the rest of the program goes on, and so does what waits in the tray. */
export class ViewBoundary extends Component<{ children: ReactNode }, { failed: Error | null }> {
  override state: { failed: Error | null } = { failed: null };

  static getDerivedStateFromError(failed: Error) {
    return { failed };
  }

  override render() {
    const { failed } = this.state;
    if (!failed) return this.props.children;
    return (
      <main className="p-2">
        <h1 className="sr-only">This view failed</h1>
        <Trouble
          words={`This view cannot be shown: ${failed.message} What you typed is remembered. Choose another view above, or load the page again.`}
          // What failed to be fetched once is not fetched again by the same page.
          onAgain={() => location.reload()}
        />
      </main>
    );
  }
}
