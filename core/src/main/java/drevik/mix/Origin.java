package drevik.mix;

/** Where a session came from: a template's id on the shelf and the revision that was taken. */
public record Origin(String mixId, int revision) {}
