-- What a prepared file knows of its maker is written in two parts now: what they may know, and the duties they held.
ALTER TABLE prepared_files MODIFY known_digest VARCHAR(160) NULL;
-- Whoever knows more sees other facts of the same finding, and says of those that they are meant so.
ALTER TABLE finding_acceptances DROP PRIMARY KEY, ADD PRIMARY KEY (finding_key, facts);
