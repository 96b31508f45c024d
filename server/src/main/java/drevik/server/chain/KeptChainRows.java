package drevik.server.chain;

import org.springframework.data.jpa.repository.JpaRepository;

interface KeptChainRows extends JpaRepository<KeptChainRow, String> {}
