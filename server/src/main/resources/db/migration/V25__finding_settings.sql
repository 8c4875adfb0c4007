-- Rules that are switched off, with the reason, and from where on something is worth saying.
CREATE TABLE finding_rules_off (
  rule VARCHAR(60) NOT NULL PRIMARY KEY,
  reason VARCHAR(1000) NOT NULL,
  off_by VARCHAR(100) NOT NULL,
  off_by_name VARCHAR(300) NOT NULL,
  off_at DATETIME(6) NOT NULL,
  FOREIGN KEY (off_by) REFERENCES accounts (login)
);
CREATE TABLE finding_limits (
  the_only_row TINYINT NOT NULL PRIMARY KEY DEFAULT 1,
  soon_days INT NOT NULL,
  checked_out_days INT NOT NULL,
  nearly_same_people INT NOT NULL,
  CONSTRAINT only_one_row CHECK (the_only_row = 1),
  CONSTRAINT sensible_limits CHECK (soon_days BETWEEN 1 AND 365 AND checked_out_days BETWEEN 1 AND 365 AND nearly_same_people BETWEEN 0 AND 1000)
);
