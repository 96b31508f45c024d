package drevik.codec;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonInclude.Include;
import drevik.mix.Clip;
import drevik.mix.Fallback;
import drevik.mix.Insert;
import drevik.mix.MapSend;
import drevik.mix.Pin;
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
    boolean wholeImage();

    @JsonInclude(Include.NON_DEFAULT)
    double frontBack();

    @JsonInclude(Include.NON_DEFAULT)
    double height();

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

    @JsonInclude(Include.NON_EMPTY)
    List<Pin> pins();

    @JsonInclude(Include.NON_EMPTY)
    List<Fallback> fallbacks();
  }

  /** Of a send. */
  interface OfSend {
    @JsonInclude(Include.NON_DEFAULT)
    double pan();

    @JsonInclude(Include.NON_DEFAULT)
    boolean wholeImage();

    @JsonInclude(Include.NON_DEFAULT)
    double frontBack();

    @JsonInclude(Include.NON_DEFAULT)
    double height();
  }

  /** Of an entry of a category map. */
  interface OfMapEntry {
    @JsonInclude(Include.NON_EMPTY)
    List<Insert> chain();

    @JsonInclude(Include.NON_EMPTY)
    List<MapSend> sends();

    @JsonInclude(Include.NON_EMPTY)
    List<String> controls();
  }

  /** Of a send that a category map gives. */
  interface OfMapSend {
    @JsonInclude(Include.NON_DEFAULT)
    boolean none();
  }

  /** Of what a field returns to. */
  interface OfFallback {
    @JsonInclude(Include.NON_EMPTY)
    List<Insert> chain();
  }

  /** Of a clip. */
  interface OfClip {
    @JsonInclude(Include.NON_EMPTY)
    List<String> delivered();
  }

  /** Of an output. */
  interface OfOutput {
    @JsonInclude(Include.NON_DEFAULT)
    boolean mayBeSilent();
  }
}
