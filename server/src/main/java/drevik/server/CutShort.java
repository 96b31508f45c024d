package drevik.server;

import java.nio.channels.ClosedChannelException;

/**
 * Tells a job that was interrupted because the server stops from one that failed: what it was
 * writing or reading is closed under it then. It is tried again, and is no fault of anything.
 */
public final class CutShort {
  private CutShort() {}

  public static boolean isWhy(Throwable failure) {
    boolean closed = false;
    for (Throwable cause = failure; cause != null && !closed; cause = cause.getCause()) {
      closed = cause instanceof ClosedChannelException || cause instanceof InterruptedException;
    }
    return closed || Thread.currentThread().isInterrupted();
  }
}
