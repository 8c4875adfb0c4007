-- Who sees to a finding, and what was said about it. A finding is known by its key, whatever its facts have become.
CREATE TABLE finding_carers (
  finding_key VARCHAR(400) NOT NULL PRIMARY KEY,
  carer VARCHAR(100) NOT NULL,
  given_by VARCHAR(100) NOT NULL,
  given_at DATETIME(6) NOT NULL,
  KEY by_carer (carer),
  FOREIGN KEY (carer) REFERENCES accounts (login),
  FOREIGN KEY (given_by) REFERENCES accounts (login)
);
CREATE TABLE finding_remarks (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  finding_key VARCHAR(400) NOT NULL,
  written_by VARCHAR(100) NOT NULL,
  written_at DATETIME(6) NOT NULL,
  remark VARCHAR(1000) NOT NULL,
  KEY by_finding (finding_key, id),
  FOREIGN KEY (written_by) REFERENCES accounts (login)
);
