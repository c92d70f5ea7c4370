ALTER TABLE `garden` ADD `undo_years` integer DEFAULT 3 NOT NULL;--> statement-breakpoint
ALTER TABLE `journal` ADD `tables` text;--> statement-breakpoint
ALTER TABLE `journal` ADD `thinned` integer DEFAULT false NOT NULL;