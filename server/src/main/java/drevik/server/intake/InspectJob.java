package drevik.server.intake;

import com.github.kagkarlsson.scheduler.task.TaskDescriptor;

/** The name under which measurements stand in the job table; the instance id is the content's. */
public final class InspectJob {
  public static final TaskDescriptor<Void> TASK = TaskDescriptor.of("inspect");

  private InspectJob() {}
}
