-- The same under the names by which it is looked for: who follows a finding up, and what was said about it.
ALTER TABLE finding_carers
  RENAME COLUMN carer TO assignee,
  RENAME COLUMN given_by TO assigned_by,
  RENAME COLUMN given_at TO assigned_at,
  RENAME INDEX by_carer TO by_assignee;
ALTER TABLE finding_remarks
  RENAME COLUMN written_by TO author,
  RENAME COLUMN written_at TO made_at,
  RENAME COLUMN remark TO text;
RENAME TABLE finding_carers TO finding_assignments, finding_remarks TO finding_comments;
