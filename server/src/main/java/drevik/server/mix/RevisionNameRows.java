package drevik.server.mix;

import org.springframework.data.jpa.repository.JpaRepository;

interface RevisionNameRows extends JpaRepository<RevisionNameRow, RevisionRow.Key> {}
