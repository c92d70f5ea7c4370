ALTER TABLE `garden` ADD `order_by_hand` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `beds` ADD `site` text DEFAULT '' NOT NULL;