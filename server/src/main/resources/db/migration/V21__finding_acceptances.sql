-- Findings that somebody has said are meant to be so: why, until when, and on which facts.
CREATE TABLE finding_acceptances (
  finding_key VARCHAR(400) NOT NULL PRIMARY KEY,
  facts CHAR(32) NOT NULL,
  reason VARCHAR(1000) NOT NULL,
  accepted_until DATETIME(6) NOT NULL,
  accepted_by VARCHAR(100) NOT NULL,
  accepted_by_name VARCHAR(300) NOT NULL,
  accepted_at DATETIME(6) NOT NULL,
  FOREIGN KEY (accepted_by) REFERENCES accounts (login),
  CONSTRAINT accepted_for_a_while CHECK (accepted_until > accepted_at)
);
