-- Matrices that somebody keeps under a name: which subjects and places, and how they are looked at; not what is in their cells.
CREATE TABLE matrix_views (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  account VARCHAR(100) NOT NULL,
  name VARCHAR(200) NOT NULL,
  shared BOOLEAN NOT NULL,
  asked TEXT NOT NULL,
  kept_at DATETIME(6) NOT NULL,
  UNIQUE KEY one_of_a_name (account, name),
  KEY shared_ones (shared),
  FOREIGN KEY (account) REFERENCES accounts (login) ON DELETE CASCADE,
  CONSTRAINT view_is_json CHECK (JSON_VALID(asked))
);
