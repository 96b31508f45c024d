package drevik.outline;

import java.util.Arrays;
import java.util.Optional;

/** What a mark begins with, behind a blank; it says what the mark is of. */
enum Sign {
  /** Kind, layout, or that it is stowed. */
  WORD(':'),
  CATEGORY('#'),
  /** A category that the category map sends here. */
  TAKES('<'),
  SEND('>'),
  KEY('^'),
  CONTROL('&'),
  OUTPUT('=');

  private final char character;

  Sign(char character) {
    this.character = character;
  }

  static Optional<Sign> of(char character) {
    return Arrays.stream(values()).filter(sign -> sign.character == character).findFirst();
  }

  char character() {
    return character;
  }

  /** Written once to three times: the more, the further in front the signal is taken. */
  boolean taps() {
    return this == SEND || this == KEY || this == OUTPUT;
  }

  /** A text behind it is a name; else one word. */
  boolean names() {
    return taps() || this == CONTROL;
  }

  /**
   * True if a sign with this behind it begins a mark and is no part of a name: “#2” and “R &amp; B”
   * are names.
   */
  boolean begins(String behind) {
    return switch (this) {
      case WORD -> !behind.isEmpty() && Character.isLetterOrDigit(behind.codePointAt(0));
      case CATEGORY, TAKES -> !behind.isEmpty() && Character.isLetter(behind.codePointAt(0));
      case CONTROL -> !behind.isEmpty() && !Character.isWhitespace(behind.codePointAt(0));
      case SEND, KEY, OUTPUT -> true;
    };
  }
}
