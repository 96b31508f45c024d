package drevik.codec;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonInclude.Include;
import drevik.mix.Clip;
import drevik.mix.Insert;
import drevik.mix.Send;
import java.util.List;

/**
 * What a document leaves out: values that most channels have, zero, off or empty. It is read as
 * such again. A third less to write and to read, and what is left is what somebody has set.
 */
final class OmitDefaults {
  private OmitDefaults() {}

  /** Of a channel. */
  interface OfChannel {
    @JsonInclude(Include.NON_DEFAULT)
    double trimDb();

    @JsonInclude(Include.NON_DEFAULT)
    boolean invertPolarity();

    @JsonInclude(Include.NON_EMPTY)
    List<Insert> chain();

    @JsonInclude(Include.NON_DEFAULT)
    double faderDb();

    @JsonInclude(Include.NON_DEFAULT)
    double pan();

    @JsonInclude(Include.NON_DEFAULT)
    double frontBack();

    @JsonInclude(Include.NON_DEFAULT)
    boolean mute();

    @JsonInclude(Include.NON_DEFAULT)
    boolean stowed();

    @JsonInclude(Include.NON_EMPTY)
    List<Send> sends();

    @JsonInclude(Include.NON_EMPTY)
    List<Clip> clips();

    @JsonInclude(Include.NON_EMPTY)
    String comment();
  }

  /** Of a send. */
  interface OfSend {
    @JsonInclude(Include.NON_DEFAULT)
    double pan();

    @JsonInclude(Include.NON_DEFAULT)
    double frontBack();
  }

  /** Of a clip. */
  interface OfClip {
    @JsonInclude(Include.NON_EMPTY)
    List<String> delivered();
  }
}
