-- How far green fruit had coloured was read out of its note; it is a grade of its own now.
UPDATE picks SET grade = CASE
  WHEN note LIKE '%pink%' THEN 'nearly-ripe'
  WHEN note LIKE '%turning%' THEN 'half-to-ripen'
  WHEN note LIKE '%green%' THEN 'green-to-ripen'
  ELSE 'blush-to-ripen' END
WHERE grade = 'green-to-ripen';
--> statement-breakpoint
UPDATE picks SET grade = CASE WHEN note LIKE '%bolted%' THEN 'bolted' ELSE 'small' END
WHERE grade IN ('sound', 'eat-first') AND (note LIKE '%bolted%' OR note LIKE 'small%');
