ALTER TABLE `plantings` ADD `disease` text DEFAULT '' NOT NULL;--> statement-breakpoint
UPDATE `plantings` SET `disease` = 'white-rot' WHERE `note` LIKE '%white rot%' OR `note` LIKE '%white-rot%'
	OR `id` IN (SELECT `planting_id` FROM `checks` WHERE `note` LIKE '%white rot%' OR `note` LIKE '%white-rot%')
	OR `id` IN (SELECT `planting_id` FROM `lessons` WHERE `words` || ' ' || `next` LIKE '%white rot%' OR `words` || ' ' || `next` LIKE '%white-rot%');
--> statement-breakpoint
UPDATE `plantings` SET `disease` = 'clubroot' WHERE `note` LIKE '%club%root%'
	OR `id` IN (SELECT `planting_id` FROM `checks` WHERE `note` LIKE '%club%root%')
	OR `id` IN (SELECT `planting_id` FROM `lessons` WHERE `words` || ' ' || `next` LIKE '%club%root%');
