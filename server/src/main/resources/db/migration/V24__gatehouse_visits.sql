-- Up to where somebody has said that they have seen what is new.
CREATE TABLE gatehouse_visits (
  account VARCHAR(100) NOT NULL PRIMARY KEY,
  change_number BIGINT NOT NULL,
  seen_up_to DATETIME(6) NOT NULL,
  FOREIGN KEY (account) REFERENCES accounts (login) ON DELETE CASCADE
);
-- The last proof of each wall is asked for by whoever made it.
CREATE INDEX by_author ON wall_proofs (author, wall, id);
