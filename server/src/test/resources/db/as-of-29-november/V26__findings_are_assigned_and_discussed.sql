-- Who follows a finding up, and what was said about it. A finding is known by its key, whatever its facts have become.
CREATE TABLE finding_assignments (
  finding_key VARCHAR(400) NOT NULL PRIMARY KEY,
  assignee VARCHAR(100) NOT NULL,
  assigned_by VARCHAR(100) NOT NULL,
  assigned_at DATETIME(6) NOT NULL,
  KEY by_assignee (assignee),
  FOREIGN KEY (assignee) REFERENCES accounts (login),
  FOREIGN KEY (assigned_by) REFERENCES accounts (login)
);
CREATE TABLE finding_comments (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  finding_key VARCHAR(400) NOT NULL,
  author VARCHAR(100) NOT NULL,
  made_at DATETIME(6) NOT NULL,
  text VARCHAR(1000) NOT NULL,
  KEY by_finding (finding_key, id),
  FOREIGN KEY (author) REFERENCES accounts (login)
);
