package drevik.server.print;

import com.github.kagkarlsson.scheduler.task.TaskDescriptor;

/** The name under which print runs stand in the job table; the instance id is the run's id. */
public final class PrintJob {
  public static final TaskDescriptor<Void> TASK = TaskDescriptor.of("print");

  private PrintJob() {}
}
