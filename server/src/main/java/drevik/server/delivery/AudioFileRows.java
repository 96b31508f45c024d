package drevik.server.delivery;

import org.springframework.data.jpa.repository.JpaRepository;

interface AudioFileRows extends JpaRepository<AudioFileRow, String> {}
