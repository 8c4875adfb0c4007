-- What looked as if it belonged behind a wall, and what somebody said of it.
CREATE TABLE wall_gap_dismissals (
  wall VARCHAR(64) NOT NULL,
  place VARCHAR(64) NOT NULL,
  life INT NOT NULL,
  made_at DATETIME(6) NOT NULL,
  author VARCHAR(100) NOT NULL,
  author_name VARCHAR(300) NOT NULL,
  reason VARCHAR(2000) NOT NULL,
  PRIMARY KEY (wall, place, life),
  FOREIGN KEY (place) REFERENCES places (id),
  CONSTRAINT a_dismissal_says_why CHECK (reason <> '')
);

-- Proofs are only ever added: each says of which change and by whom.
CREATE TABLE wall_proofs (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  wall VARCHAR(64) NOT NULL,
  change_number BIGINT NOT NULL,
  made_at DATETIME(6) NOT NULL,
  author VARCHAR(100) NOT NULL,
  author_name VARCHAR(300) NOT NULL,
  pairs BIGINT NOT NULL,
  leaks BIGINT NOT NULL,
  certificate MEDIUMTEXT NOT NULL,
  KEY by_wall (wall, id)
);
