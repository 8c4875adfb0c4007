-- Statements that somebody keeps under a name, for themselves: what is asked, not what was answered.
CREATE TABLE kept_statements (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  account VARCHAR(200) NOT NULL,
  name VARCHAR(120) NOT NULL,
  recipe VARCHAR(1000) NOT NULL,
  UNIQUE KEY one_of_a_name (account, name)
);
