-- What documents say is found in capitals or not, with accents or without, and with the small words in it: a text index leaves out
-- "the", "of" and "from" unless told otherwise while it is made, and then finds nothing that is asked for with one of them.
ALTER TABLE document_texts DROP KEY said;
SET SESSION innodb_ft_enable_stopword = OFF;
ALTER TABLE document_texts
  MODIFY text MEDIUMTEXT CHARACTER SET utf8mb4 COLLATE utf8mb4_uca1400_ai_ci NOT NULL,
  ADD FULLTEXT KEY said (text);
SET SESSION innodb_ft_enable_stopword = DEFAULT;

-- By this copies are found, whatever they are called.
ALTER TABLE document_contents
  ADD COLUMN sha256 BINARY(32) AS (UNHEX(SHA2(bytes, 256))) PERSISTENT,
  ADD KEY by_content (sha256, place);
