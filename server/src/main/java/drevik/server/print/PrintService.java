package drevik.server.print;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import drevik.audio.AudioException;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.render.PrintCancelled;
import drevik.render.PrintOptions;
import drevik.render.PrintReport;
import drevik.render.Printer;
import drevik.render.Progress;
import drevik.render.Workers;
import drevik.server.CutShort;
import drevik.server.DrevikProperties;
import drevik.server.Ids;
import drevik.server.NotFound;
import drevik.server.mix.Mixes;
import drevik.server.store.AudioStore;
import drevik.server.store.Folders;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.HashSet;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.NestedRuntimeException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Asks for print runs, carries them out, and says how they stand. */
@Service
public class PrintService {
  private static final Logger LOG = LoggerFactory.getLogger(PrintService.class);
  private static final long REPORT_EVERY_NANOS = 200_000_000;

  private static final int CORES = Runtime.getRuntime().availableProcessors();

  private final AtomicInteger printing = new AtomicInteger();
  private final PrintRunRows runs;
  private final Mixes mixes;
  private final AudioStore store;
  private final SchedulerClient scheduler;
  private final TransactionTemplate transaction;
  private final Path prints;
  private final Clock clock;

  PrintService(
      PrintRunRows runs,
      Mixes mixes,
      AudioStore store,
      SchedulerClient scheduler,
      TransactionTemplate transaction,
      DrevikProperties properties,
      Clock clock) {
    this.runs = runs;
    this.mixes = mixes;
    this.store = store;
    this.scheduler = scheduler;
    this.transaction = transaction;
    this.prints = properties.data().toAbsolutePath().resolve("prints");
    this.clock = clock;
  }

  /** Row and job are written in one transaction: a run that is seen is also going to be done. */
  @Transactional
  public PrintView ask(String mixId, List<String> outputs) {
    Mix mix = mixes.document(mixId);
    List<String> chosen = outputs == null ? List.of() : outputs;
    for (String id : chosen) {
      if (mix.outputs().stream().noneMatch(o -> o.id().equals(id))) {
        throw new Refused("This Mix has no output “" + id + "”; choose from those that it has.");
      }
    }
    PrintRunRow row =
        new PrintRunRow(Ids.next(), mixId, mixes.headOf(mixId), chosen, clock.instant());
    runs.saveAndFlush(row);
    scheduler.scheduleIfNotExists(PrintJob.TASK.instance(row.id).scheduledTo(clock.instant()));
    return PrintView.of(row, clock.instant());
  }

  public PrintView view(String id) {
    return PrintView.of(row(id), clock.instant());
  }

  public List<PrintView> list(String mixId) {
    return runs.findByMixIdOrderByAskedAtDesc(mixId).stream()
        .map(row -> PrintView.of(row, clock.instant()))
        .toList();
  }

  public PrintView cancel(String id) {
    row(id);
    runs.askToCancel(id);
    return view(id);
  }

  /** A printed file of a run that is done. */
  public Path file(String id, String name) {
    PrintReport report = report(id);
    if (report.files().stream().noneMatch(f -> f.file().equals(name))) {
      throw new NotFound("Print run “" + id + "” has no file “" + name + "”.");
    }
    Path file = folder(id).resolve(name);
    if (!Files.isRegularFile(file)) {
      throw new NotFound("“" + name + "” is not on the disk any more; print it again.");
    }
    return file;
  }

  public PrintReport report(String id) {
    PrintRunRow row = row(id);
    if (row.report == null) {
      throw new NotFound("Print run “" + id + "” is " + row.state + "; it has no files.");
    }
    return row.report;
  }

  private Path folder(String id) {
    return prints.resolve(id);
  }

  /**
   * Does the work; called by the scheduler. A run that was killed is found by its dead heartbeat
   * and comes here again, from the start: what it had written was never moved into place.
   */
  public void carryOut(String id) {
    PrintRunRow row = row(id);
    if (row.state.isFinal()) {
      return;
    }
    runs.start(id, clock.instant());
    printing.incrementAndGet();
    try {
      Files.createDirectories(prints);
      Mix mix = mixes.document(row.mixId, row.revision);
      PrintOptions options =
          PrintOptions.only(new HashSet<>(row.outputs))
              .ofRevision(row.revision)
              .by(new Workers(CORES, this::share));
      // What a killed print of this run left; nobody else writes here.
      Folders.delete(folder(id).resolveSibling(id + ".unfinished"));
      PrintReport report = Printer.print(mix, store::locate, options, folder(id), reporting(id));
      end(id, PrintState.DONE, null, report.hashed(folder(id)));
    } catch (PrintCancelled e) {
      end(id, PrintState.CANCELLED, e.getMessage(), null);
    } catch (Refused | AudioException e) {
      if (CutShort.isWhy(e)) {
        // The server stops: the print begins anew when it is there again.
        throw e;
      }
      end(id, PrintState.FAILED, e.getMessage(), null);
    } catch (NestedRuntimeException e) {
      // The database went away under it: the job is tried again, and the print begins anew.
      throw e;
    } catch (Exception e) {
      if (CutShort.isWhy(e)) {
        throw new IllegalStateException("the server stops", e);
      }
      LOG.error("print run {}", id, e);
      end(id, PrintState.FAILED, "The print failed inside Drevik: " + e, null);
    } finally {
      printing.decrementAndGet();
    }
  }

  private Progress reporting(String id) {
    return new Progress() {
      private long last;

      @Override
      public boolean at(double done) {
        long now = System.nanoTime();
        if (now - last < REPORT_EVERY_NANOS) {
          return true;
        }
        last = now;
        runs.progress(id, done);
        return !runs.cancelAsked(id);
      }
    };
  }

  /** Prints that run at once share the cores; one alone has them all. */
  private int share() {
    return Math.max(1, CORES / Math.max(1, printing.get()));
  }

  private void end(
      String id, PrintState state, @Nullable String message, @Nullable PrintReport report) {
    transaction.executeWithoutResult(
        status -> {
          PrintRunRow row = row(id);
          row.state = state;
          row.message = message;
          row.report = report;
          row.done = state == PrintState.DONE ? 1 : row.done;
          row.endedAt = clock.instant();
          runs.save(row);
        });
  }

  private PrintRunRow row(String id) {
    return runs.findById(id).orElseThrow(() -> new NotFound("There is no print run “" + id + "”."));
  }
}
