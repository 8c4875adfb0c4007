-- Attempts to sign in, counted for all instances together; devices from which somebody has signed in before; when they last did.

CREATE TABLE sign_in_attempts (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  login VARCHAR(100) NOT NULL,
  address VARCHAR(64) NOT NULL,
  made_at DATETIME(6) NOT NULL,
  known_device BOOLEAN NOT NULL,
  failed BOOLEAN NOT NULL,
  KEY by_login (login, made_at),
  KEY by_address (address, made_at),
  KEY by_age (made_at)
);

CREATE TABLE known_devices (
  account VARCHAR(100) NOT NULL,
  token_hash CHAR(64) NOT NULL,
  seen_at DATETIME(6) NOT NULL,
  PRIMARY KEY (account, token_hash),
  FOREIGN KEY (account) REFERENCES accounts (login)
);

ALTER TABLE accounts
  ADD COLUMN signed_in_at DATETIME(6) NULL,
  ADD CONSTRAINT a_login_has_no_blanks CHECK (login = TRIM(login) AND CHAR_LENGTH(login) = CHAR_LENGTH(TRIM(login)) AND login <> '');

-- Sessions are kept under the hash of what the browser holds: those of before end.
DELETE FROM SPRING_SESSION;
ALTER TABLE SPRING_SESSION MODIFY SESSION_ID CHAR(64) NOT NULL;
