package drevik.server.mix;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.Instant;
import org.hibernate.annotations.Immutable;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Persistable;

/** A change that was asked for under an id, and done: asked again, it is not done again. */
@Entity
@Immutable
@Table(name = "done_request")
class DoneRequest implements Persistable<DoneRequest.Key> {
  /** Of which Mix, under which id. */
  @Embeddable
  record Key(String mixId, String request) implements Serializable {}

  @EmbeddedId @Nullable Key key;

  /** The head after it. */
  int revision;

  @Column(nullable = false)
  @Nullable Instant at;

  protected DoneRequest() {}

  DoneRequest(Key key, int revision, Instant at) {
    this.key = key;
    this.revision = revision;
    this.at = at;
  }

  @Override
  public @Nullable Key getId() {
    return key;
  }

  /** It is only ever added: nobody need look whether it is there. */
  @Override
  public boolean isNew() {
    return true;
  }
}
