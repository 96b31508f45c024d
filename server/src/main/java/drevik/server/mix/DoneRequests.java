package drevik.server.mix;

import org.springframework.data.jpa.repository.JpaRepository;

interface DoneRequests extends JpaRepository<DoneRequest, DoneRequest.Key> {}
