-- How somebody comes by a password: an address that is good once, and not for long. Kept under its hash.
CREATE TABLE invitations (
  token_hash CHAR(64) NOT NULL PRIMARY KEY,
  person VARCHAR(64) NOT NULL,
  made_by VARCHAR(100) NOT NULL,
  made_at DATETIME(6) NOT NULL,
  expires_at DATETIME(6) NOT NULL,
  used_at DATETIME(6) NULL,
  KEY by_person (person),
  FOREIGN KEY (person) REFERENCES people (id),
  FOREIGN KEY (made_by) REFERENCES accounts (login),
  CONSTRAINT invitation_ends_after_it_was_made CHECK (expires_at > made_at)
);

-- Stands in for a mail server: what would have been sent.
CREATE TABLE mailbox (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  address VARCHAR(320) NOT NULL,
  subject VARCHAR(300) NOT NULL,
  text TEXT NOT NULL,
  sent_at DATETIME(6) NOT NULL
);
