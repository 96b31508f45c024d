import { Component, type ErrorInfo, type ReactNode } from "react";

interface Props {
  /** What it stands around; another place begins anew. */
  place: string;
  children: ReactNode;
}

/** A place that fails says so, and leaves the way to the others open. */
export class ErrorBoundary extends Component<Props, { failed?: Error; at?: string }> {
  override state: { failed?: Error; at?: string } = {};

  static getDerivedStateFromError(failed: Error) {
    return { failed };
  }

  static getDerivedStateFromProps(props: Props, state: { failed?: Error; at?: string }) {
    return state.at === props.place ? null : { at: props.place, failed: undefined };
  }

  override componentDidCatch(error: Error, info: ErrorInfo) {
    console.error(error, info.componentStack);
  }

  override render() {
    if (!this.state.failed) {
      return this.props.children;
    }
    return (
      <div role="alert" className="p-6">
        <h1 className="text-title font-semibold">This place could not be drawn</h1>
        <p className="mt-2 max-w-[60ch]">
          Nothing of your work is lost: it is kept as it was last saved. The fault says:{" "}
          {this.state.failed.message}
        </p>
        <p className="mt-4 flex gap-4">
          <button
            className="border border-active px-3 py-1 text-active"
            onClick={() => this.setState({ failed: undefined })}
          >
            Try again
          </button>
          <button className="px-3 py-1 text-ink-2 underline" onClick={() => location.reload()}>
            Load the page again
          </button>
        </p>
      </div>
    );
  }
}
