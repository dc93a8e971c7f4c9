CREATE TABLE `access_grant` (
  `id` binary(16) NOT NULL,
  `site_id` binary(16) NOT NULL,
  `person_id` binary(16) NOT NULL,
  `door_id` binary(16) NOT NULL,
  `role` varchar(32) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `given_at` datetime NOT NULL,
  `from_at` datetime NOT NULL,
  `until_at` datetime NOT NULL,
  `accepted_at` datetime NOT NULL,
  `since_at` datetime NOT NULL,
  `section_id` binary(16) DEFAULT NULL,
  `given_by` binary(16) DEFAULT NULL,
  `live` tinyint(4) DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `UNIQ_20901A1F58639EAE217BBB47530F2CAF` (`door_id`,`person_id`,`live`),
  KEY `IDX_20901A1FF6BD1646217BBB47` (`site_id`,`person_id`),
  KEY `unanswered` (`accepted_at`),
  KEY `IDX_20901A1FD823E37A` (`section_id`),
  CONSTRAINT `FK_20901A1F58639EAE` FOREIGN KEY (`door_id`) REFERENCES `door` (`id`),
  CONSTRAINT `FK_20901A1FD823E37A` FOREIGN KEY (`section_id`) REFERENCES `section` (`id`),
  CONSTRAINT `FK_20901A1FF6BD1646217BBB47` FOREIGN KEY (`site_id`, `person_id`) REFERENCES `enrollment` (`site_id`, `person_id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `account` (
  `person_id` binary(16) NOT NULL,
  `login` varchar(80) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `password_hash` varchar(255) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL,
  `closed_from` datetime NOT NULL,
  `platform_administrator` tinyint(4) NOT NULL,
  `must_change` tinyint(4) NOT NULL DEFAULT 0,
  `made_at` datetime DEFAULT NULL,
  `used_at` datetime DEFAULT NULL,
  `card_until` datetime DEFAULT NULL,
  `today_seen_at` datetime DEFAULT NULL,
  `language` varchar(16) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL,
  `time_zone` varchar(64) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL,
  PRIMARY KEY (`person_id`),
  UNIQUE KEY `UNIQ_7D3656A4AA08CB10` (`login`),
  CONSTRAINT `FK_7D3656A4217BBB47` FOREIGN KEY (`person_id`) REFERENCES `person` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `account_row` (
  `change_list_id` binary(16) NOT NULL,
  `position` int(11) NOT NULL,
  `row` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`row`)),
  `outcome` varchar(16) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL,
  `reasons` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin DEFAULT NULL CHECK (json_valid(`reasons`)),
  `person_id` binary(16) DEFAULT NULL,
  `made` varchar(16) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL,
  PRIMARY KEY (`change_list_id`,`position`),
  KEY `person` (`person_id`),
  CONSTRAINT `FK_C4CBAF85217BBB47` FOREIGN KEY (`person_id`) REFERENCES `person` (`id`),
  CONSTRAINT `FK_C4CBAF85CDA9B422` FOREIGN KEY (`change_list_id`) REFERENCES `change_list` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `beat` (
  `name` varchar(32) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `at` datetime NOT NULL,
  PRIMARY KEY (`name`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `calendar_address` (
  `token_hash` varbinary(32) NOT NULL,
  `made_at` datetime NOT NULL,
  `person_id` binary(16) NOT NULL,
  PRIMARY KEY (`token_hash`),
  UNIQUE KEY `UNIQ_6F391446217BBB47` (`person_id`),
  CONSTRAINT `FK_6F391446217BBB47` FOREIGN KEY (`person_id`) REFERENCES `person` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `change_line` (
  `id` binary(16) NOT NULL,
  `change_list_id` binary(16) NOT NULL,
  `position` int(11) NOT NULL,
  `site_id` binary(16) NOT NULL,
  `person_id` binary(16) NOT NULL,
  `verb` varchar(16) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `verdict` varchar(16) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `state_before` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`state_before`)),
  `state_after` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`state_after`)),
  `notes` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`notes`)),
  `effects` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`effects`)),
  `version_after` int(11) NOT NULL,
  `undoes` binary(16) DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `UNIQ_B2C3FD4DCDA9B422462CE4F5` (`change_list_id`,`position`),
  KEY `IDX_B2C3FD4DF6BD1646217BBB47` (`site_id`,`person_id`),
  KEY `IDX_B2C3FD4DEA66A7D0` (`undoes`),
  CONSTRAINT `FK_B2C3FD4DCDA9B422` FOREIGN KEY (`change_list_id`) REFERENCES `change_list` (`id`),
  CONSTRAINT `FK_B2C3FD4DEA66A7D0` FOREIGN KEY (`undoes`) REFERENCES `change_line` (`id`),
  CONSTRAINT `FK_B2C3FD4DF6BD1646217BBB47` FOREIGN KEY (`site_id`, `person_id`) REFERENCES `enrollment` (`site_id`, `person_id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `change_list` (
  `id` binary(16) NOT NULL,
  `site_id` binary(16) DEFAULT NULL,
  `made_by` binary(16) NOT NULL,
  `made_at` datetime NOT NULL,
  `state` varchar(16) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `kind` varchar(16) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT 'single',
  `title` varchar(160) NOT NULL DEFAULT '',
  `version` int(11) NOT NULL DEFAULT 1,
  `changed_at` datetime DEFAULT NULL,
  `changed_by` binary(16) DEFAULT NULL,
  `work` longtext DEFAULT NULL,
  `total` int(11) NOT NULL DEFAULT 0,
  `done` int(11) NOT NULL DEFAULT 0,
  `applied` int(11) NOT NULL DEFAULT 0,
  `removing` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin DEFAULT NULL CHECK (json_valid(`removing`)),
  `undoes` binary(16) DEFAULT NULL,
  `tell` varchar(2000) DEFAULT NULL,
  `undo_data` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin DEFAULT NULL CHECK (json_valid(`undo_data`)),
  `trouble` varchar(32) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL,
  PRIMARY KEY (`id`),
  KEY `IDX_271FB1A3F6BD164698817E56` (`site_id`,`made_at`),
  KEY `by_maker` (`made_by`,`made_at`),
  KEY `by_kind` (`kind`,`made_at`),
  KEY `by_undone` (`undoes`),
  KEY `by_state` (`made_by`,`state`,`made_at`),
  CONSTRAINT `FK_271FB1A3CD1D5128` FOREIGN KEY (`made_by`) REFERENCES `person` (`id`),
  CONSTRAINT `FK_271FB1A3EA66A7D0` FOREIGN KEY (`undoes`) REFERENCES `change_list` (`id`),
  CONSTRAINT `FK_271FB1A3F6BD1646` FOREIGN KEY (`site_id`) REFERENCES `site` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `change_request` (
  `change_list_id` binary(16) NOT NULL,
  `position` int(11) NOT NULL,
  `site_id` binary(16) NOT NULL,
  `person_id` binary(16) NOT NULL,
  `request` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`request`)),
  `outcome` varchar(16) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL,
  `reasons` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin DEFAULT NULL CHECK (json_valid(`reasons`)),
  `line_id` binary(16) DEFAULT NULL,
  PRIMARY KEY (`change_list_id`,`position`),
  KEY `outcome` (`change_list_id`,`outcome`),
  CONSTRAINT `FK_CB902D36CDA9B422` FOREIGN KEY (`change_list_id`) REFERENCES `change_list` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `cohort` (
  `version` int(11) NOT NULL DEFAULT 1,
  `stale` tinyint(4) NOT NULL DEFAULT 0,
  `looked_to` binary(16) DEFAULT NULL,
  `settings` int(11) NOT NULL DEFAULT 0,
  `put_away_at` datetime DEFAULT NULL,
  `id` binary(16) NOT NULL,
  `name` varchar(80) NOT NULL,
  `kind` varchar(8) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `made_at` datetime NOT NULL,
  `rule` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin DEFAULT NULL CHECK (json_valid(`rule`)),
  `division_id` binary(16) DEFAULT NULL,
  `made_by` binary(16) NOT NULL,
  PRIMARY KEY (`id`),
  KEY `by_name` (`name`),
  KEY `IDX_D3B8C16B41859289` (`division_id`),
  KEY `IDX_D3B8C16BCD1D5128` (`made_by`),
  CONSTRAINT `FK_D3B8C16B41859289` FOREIGN KEY (`division_id`) REFERENCES `division` (`id`),
  CONSTRAINT `FK_D3B8C16BCD1D5128` FOREIGN KEY (`made_by`) REFERENCES `person` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `cohort_link` (
  `version` int(11) NOT NULL DEFAULT 1,
  `ended_at` datetime DEFAULT NULL,
  `held_at` datetime DEFAULT NULL,
  `id` binary(16) NOT NULL,
  `role` varchar(32) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `spread` tinyint(4) NOT NULL DEFAULT 0,
  `from_at` datetime NOT NULL DEFAULT '1000-01-01 00:00:00',
  `days` smallint(6) NOT NULL DEFAULT 0,
  `to_term` tinyint(4) NOT NULL DEFAULT 0,
  `term_from` datetime DEFAULT NULL,
  `earlier_ends` datetime DEFAULT NULL,
  `cohort_id` binary(16) NOT NULL,
  `door_id` binary(16) NOT NULL,
  `section_id` binary(16) DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `by_door` (`door_id`),
  KEY `IDX_2AC21FA135983C93` (`cohort_id`),
  KEY `IDX_2AC21FA1D823E37A` (`section_id`),
  CONSTRAINT `FK_2AC21FA135983C93` FOREIGN KEY (`cohort_id`) REFERENCES `cohort` (`id`),
  CONSTRAINT `FK_2AC21FA158639EAE` FOREIGN KEY (`door_id`) REFERENCES `door` (`id`),
  CONSTRAINT `FK_2AC21FA1D823E37A` FOREIGN KEY (`section_id`) REFERENCES `section` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `cohort_member` (
  `from_at` datetime NOT NULL,
  `until_at` datetime NOT NULL,
  `put_by` binary(16) DEFAULT NULL,
  `cohort_id` binary(16) NOT NULL,
  `person_id` binary(16) NOT NULL,
  PRIMARY KEY (`cohort_id`,`person_id`,`from_at`),
  KEY `of_person` (`person_id`,`cohort_id`),
  KEY `of_cohort` (`cohort_id`,`until_at`,`from_at`),
  KEY `IDX_CE849D5735983C93` (`cohort_id`),
  KEY `IDX_CE849D57217BBB47` (`person_id`),
  CONSTRAINT `FK_CE849D57217BBB47` FOREIGN KEY (`person_id`) REFERENCES `person` (`id`),
  CONSTRAINT `FK_CE849D5735983C93` FOREIGN KEY (`cohort_id`) REFERENCES `cohort` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `days_off` (
  `id` binary(16) NOT NULL,
  `name` varchar(120) NOT NULL,
  `from_on` varchar(10) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `until_on` varchar(10) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `division_id` binary(16) DEFAULT NULL,
  PRIMARY KEY (`id`),
  KEY `IDX_C98E6BCA41859289` (`division_id`),
  KEY `in_order` (`from_on`,`until_on`),
  CONSTRAINT `FK_C98E6BCA41859289` FOREIGN KEY (`division_id`) REFERENCES `division` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `division` (
  `id` binary(16) NOT NULL,
  `code` varchar(32) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `name` varchar(120) NOT NULL,
  `minors` tinyint(4) NOT NULL,
  `language` varchar(16) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT 'en-GB',
  `time_zone` varchar(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT 'UTC',
  `parent_id` binary(16) DEFAULT NULL,
  `first_level` smallint(6) NOT NULL DEFAULT 1,
  `level_names` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin DEFAULT NULL CHECK (json_valid(`level_names`)),
  `welcome` varchar(2000) NOT NULL DEFAULT '',
  `retired` tinyint(4) NOT NULL DEFAULT 0,
  PRIMARY KEY (`id`),
  UNIQUE KEY `UNIQ_1017471477153098` (`code`),
  KEY `IDX_10174714727ACA70` (`parent_id`),
  CONSTRAINT `FK_10174714727ACA70` FOREIGN KEY (`parent_id`) REFERENCES `division` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `division_administrator` (
  `person_id` binary(16) NOT NULL,
  `division_id` binary(16) NOT NULL,
  PRIMARY KEY (`person_id`,`division_id`),
  KEY `IDX_9E19A24341859289` (`division_id`),
  CONSTRAINT `FK_9E19A243217BBB47` FOREIGN KEY (`person_id`) REFERENCES `person` (`id`),
  CONSTRAINT `FK_9E19A24341859289` FOREIGN KEY (`division_id`) REFERENCES `division` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `division_within` (
  `above_id` binary(16) NOT NULL,
  `division_id` binary(16) NOT NULL,
  PRIMARY KEY (`above_id`,`division_id`),
  KEY `IDX_754DC1837F829173` (`above_id`),
  KEY `IDX_754DC18341859289` (`division_id`),
  CONSTRAINT `FK_754DC18341859289` FOREIGN KEY (`division_id`) REFERENCES `division` (`id`),
  CONSTRAINT `FK_754DC1837F829173` FOREIGN KEY (`above_id`) REFERENCES `division` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `door` (
  `id` binary(16) NOT NULL,
  `site_id` binary(16) NOT NULL,
  `kind` varchar(16) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `name` varchar(120) NOT NULL,
  `state` varchar(8) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `reserved` tinyint(4) NOT NULL DEFAULT 0,
  `terms` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin DEFAULT NULL CHECK (json_valid(`terms`)),
  `from_at` datetime NOT NULL DEFAULT '1000-01-01 00:00:00',
  `until_at` datetime NOT NULL DEFAULT '9999-12-31 00:00:00',
  `version` int(11) NOT NULL DEFAULT 1,
  `made_by` binary(16) DEFAULT NULL,
  `made_at` datetime DEFAULT NULL,
  PRIMARY KEY (`id`),
  KEY `IDX_8AE5542DF6BD16463BC4BCD9` (`site_id`,`kind`),
  KEY `IDX_8AE5542DCD1D5128` (`made_by`),
  KEY `by_kind` (`kind`,`state`),
  KEY `shutting` (`until_at`),
  CONSTRAINT `FK_8AE5542DCD1D5128` FOREIGN KEY (`made_by`) REFERENCES `person` (`id`),
  CONSTRAINT `FK_8AE5542DF6BD1646` FOREIGN KEY (`site_id`) REFERENCES `site` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `door_key` (
  `door_id` binary(16) NOT NULL,
  `hash` binary(32) NOT NULL,
  `sealed` varbinary(255) NOT NULL,
  PRIMARY KEY (`door_id`),
  UNIQUE KEY `hash` (`hash`),
  CONSTRAINT `FK_D0722E4B58639EAE` FOREIGN KEY (`door_id`) REFERENCES `door` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `door_try` (
  `id` bigint(20) unsigned NOT NULL AUTO_INCREMENT,
  `site_id` binary(16) NOT NULL,
  `door_id` binary(16) NOT NULL,
  `visitor` binary(16) NOT NULL,
  `person_id` binary(16) DEFAULT NULL,
  `slip` varchar(16) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `at` datetime NOT NULL,
  PRIMARY KEY (`id`),
  KEY `site` (`site_id`,`at`),
  KEY `IDX_C28B4E9058639EAE` (`door_id`),
  KEY `IDX_C28B4E90217BBB47` (`person_id`),
  CONSTRAINT `FK_C28B4E90217BBB47` FOREIGN KEY (`person_id`) REFERENCES `person` (`id`),
  CONSTRAINT `FK_C28B4E9058639EAE` FOREIGN KEY (`door_id`) REFERENCES `door` (`id`),
  CONSTRAINT `FK_C28B4E90F6BD1646` FOREIGN KEY (`site_id`) REFERENCES `site` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `enrollment` (
  `site_id` binary(16) NOT NULL,
  `person_id` binary(16) NOT NULL,
  `version` int(11) NOT NULL,
  `last_seen_at` datetime DEFAULT NULL,
  `terms` varchar(250) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  PRIMARY KEY (`site_id`,`person_id`),
  KEY `IDX_DBDCD7E1217BBB47` (`person_id`),
  CONSTRAINT `FK_DBDCD7E1217BBB47` FOREIGN KEY (`person_id`) REFERENCES `person` (`id`),
  CONSTRAINT `FK_DBDCD7E1F6BD1646` FOREIGN KEY (`site_id`) REFERENCES `site` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `enrollment_override` (
  `id` binary(16) NOT NULL,
  `site_id` binary(16) NOT NULL,
  `person_id` binary(16) NOT NULL,
  `kind` varchar(16) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `from_at` datetime NOT NULL,
  `until_at` datetime NOT NULL,
  `origin_id` binary(16) NOT NULL,
  `grant_id` binary(16) DEFAULT NULL,
  `role` varchar(32) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL,
  `put_by` binary(16) DEFAULT NULL,
  `ended_by` binary(16) DEFAULT NULL,
  `note` varchar(500) DEFAULT NULL,
  `dates_from` datetime DEFAULT NULL,
  `dates_until` datetime DEFAULT NULL,
  `height` smallint(6) NOT NULL DEFAULT 0,
  `sections` varchar(450) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL,
  PRIMARY KEY (`id`),
  KEY `IDX_99CC2CF556A273CC` (`origin_id`),
  KEY `IDX_99CC2CF5F6BD1646217BBB47` (`site_id`,`person_id`),
  KEY `IDX_99CC2CF55C0C89F3` (`grant_id`),
  CONSTRAINT `FK_99CC2CF55C0C89F3` FOREIGN KEY (`grant_id`) REFERENCES `access_grant` (`id`),
  CONSTRAINT `FK_99CC2CF5F6BD1646217BBB47` FOREIGN KEY (`site_id`, `person_id`) REFERENCES `enrollment` (`site_id`, `person_id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `enrollment_segment` (
  `site_id` binary(16) NOT NULL,
  `person_id` binary(16) NOT NULL,
  `from_at` datetime NOT NULL,
  `until_at` datetime NOT NULL,
  `state` varchar(12) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `role` varchar(32) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `roles` varchar(330) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `rank` smallint(6) NOT NULL,
  `listed` tinyint(4) NOT NULL,
  `holds_seat` tinyint(4) NOT NULL,
  `leads` tinyint(4) NOT NULL,
  `since_at` datetime NOT NULL,
  `sort_name` varchar(164) NOT NULL,
  `alike` bigint(20) NOT NULL,
  `sections` varchar(450) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT '',
  PRIMARY KEY (`site_id`,`person_id`,`from_at`),
  KEY `by_person` (`person_id`,`until_at`,`from_at`),
  KEY `counting` (`site_id`,`until_at`,`from_at`,`state`,`role`,`listed`,`holds_seat`),
  KEY `by_lead` (`site_id`,`leads`,`until_at`),
  KEY `beginning` (`site_id`,`from_at`,`until_at`,`state`,`role`,`listed`,`holds_seat`),
  KEY `ending_leads` (`leads`,`until_at`,`site_id`),
  KEY `by_name` (`site_id`,`sort_name`,`person_id`,`from_at`,`until_at`,`state`,`listed`,`role`,`sections`),
  CONSTRAINT `FK_D60E9E30217BBB47` FOREIGN KEY (`person_id`) REFERENCES `person` (`id`),
  CONSTRAINT `FK_D60E9E30F6BD1646` FOREIGN KEY (`site_id`) REFERENCES `site` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `fact_change` (
  `id` bigint(20) unsigned NOT NULL AUTO_INCREMENT,
  `person` binary(16) NOT NULL,
  `what` varchar(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  PRIMARY KEY (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `fact_watched` (
  `what` varchar(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  PRIMARY KEY (`what`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `first_password` (
  `token_hash` varbinary(32) NOT NULL,
  `person_id` binary(16) NOT NULL,
  `expires_at` datetime NOT NULL,
  PRIMARY KEY (`token_hash`),
  KEY `IDX_81DA748E217BBB47` (`person_id`),
  CONSTRAINT `FK_81DA748E217BBB47` FOREIGN KEY (`person_id`) REFERENCES `person` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `first_step` (
  `step` varchar(16) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `state` varchar(16) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `said_at` datetime NOT NULL,
  `said_by` binary(16) DEFAULT NULL,
  PRIMARY KEY (`step`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `group_invite` (
  `asked_by` binary(16) NOT NULL,
  `asked_at` datetime NOT NULL,
  `group_id` binary(16) NOT NULL,
  `person_id` binary(16) NOT NULL,
  PRIMARY KEY (`group_id`,`person_id`),
  KEY `IDX_1464C807FE54D947` (`group_id`),
  KEY `IDX_1464C807217BBB47` (`person_id`),
  CONSTRAINT `FK_1464C807217BBB47` FOREIGN KEY (`person_id`) REFERENCES `person` (`id`),
  CONSTRAINT `FK_1464C807FE54D947` FOREIGN KEY (`group_id`) REFERENCES `site_group` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `group_place` (
  `id` binary(16) NOT NULL,
  `from_at` datetime NOT NULL,
  `put_by` binary(16) DEFAULT NULL,
  `until_at` datetime NOT NULL DEFAULT '9999-12-31 00:00:00',
  `live` tinyint(4) DEFAULT NULL,
  `split_id` binary(16) NOT NULL,
  `group_id` binary(16) NOT NULL,
  `person_id` binary(16) NOT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `one_of_each` (`split_id`,`person_id`,`live`),
  KEY `of_group` (`group_id`,`live`),
  KEY `of_person` (`person_id`,`live`),
  KEY `IDX_243178AA3DDC68C5` (`split_id`),
  KEY `IDX_243178AAFE54D947` (`group_id`),
  KEY `IDX_243178AA217BBB47` (`person_id`),
  CONSTRAINT `FK_243178AA217BBB47` FOREIGN KEY (`person_id`) REFERENCES `person` (`id`),
  CONSTRAINT `FK_243178AA3DDC68C5` FOREIGN KEY (`split_id`) REFERENCES `group_split` (`id`),
  CONSTRAINT `FK_243178AAFE54D947` FOREIGN KEY (`group_id`) REFERENCES `site_group` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `group_split` (
  `version` int(11) NOT NULL,
  `put_away_at` datetime DEFAULT NULL,
  `id` binary(16) NOT NULL,
  `name` varchar(80) NOT NULL,
  `least` int(11) DEFAULT NULL,
  `most` int(11) DEFAULT NULL,
  `place` smallint(6) NOT NULL DEFAULT 0,
  `site_id` binary(16) NOT NULL,
  `section_id` binary(16) DEFAULT NULL,
  `wishes` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin DEFAULT NULL CHECK (json_valid(`wishes`)),
  `opens_at` datetime DEFAULT NULL,
  `closes_at` datetime DEFAULT NULL,
  `founds` tinyint(4) NOT NULL DEFAULT 0,
  `settles` tinyint(4) NOT NULL DEFAULT 0,
  `opened_by` binary(16) DEFAULT NULL,
  `asked_at` datetime DEFAULT NULL,
  `reminded_at` datetime DEFAULT NULL,
  `settled_at` datetime DEFAULT NULL,
  `arrives` varchar(10) NOT NULL DEFAULT 'none',
  `arrived_at` datetime DEFAULT NULL,
  `made_from` varchar(50) DEFAULT NULL,
  PRIMARY KEY (`id`),
  KEY `IDX_E1D9B176F6BD1646741D53CD` (`site_id`,`place`),
  KEY `IDX_E1D9B176F6BD1646` (`site_id`),
  KEY `IDX_E1D9B176D823E37A` (`section_id`),
  CONSTRAINT `FK_E1D9B176D823E37A` FOREIGN KEY (`section_id`) REFERENCES `section` (`id`),
  CONSTRAINT `FK_E1D9B176F6BD1646` FOREIGN KEY (`site_id`) REFERENCES `site` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `group_task` (
  `state` varchar(12) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `version` int(11) NOT NULL,
  `seed` varchar(32) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `asked_by` binary(16) NOT NULL,
  `asked_at` datetime NOT NULL,
  `done` int(11) NOT NULL,
  `steps` int(11) NOT NULL,
  `beat_at` datetime NOT NULL,
  `stops` tinyint(4) NOT NULL,
  `outcome` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin DEFAULT NULL CHECK (json_valid(`outcome`)),
  `split_id` binary(16) NOT NULL,
  `settles` tinyint(4) NOT NULL DEFAULT 0,
  PRIMARY KEY (`split_id`),
  KEY `IDX_7B248055A393D2FBD51DF323` (`state`,`beat_at`),
  CONSTRAINT `FK_7B2480553DDC68C5` FOREIGN KEY (`split_id`) REFERENCES `group_split` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `history_entry` (
  `id` binary(16) NOT NULL,
  `site_id` binary(16) NOT NULL,
  `sequence` int(11) NOT NULL,
  `at` datetime NOT NULL,
  `actor_id` binary(16) NOT NULL,
  `code` varchar(32) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `data` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`data`)),
  `person_id` binary(16) DEFAULT NULL,
  `line_id` binary(16) DEFAULT NULL,
  `address` varchar(45) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL,
  `schema_version` smallint(6) NOT NULL,
  `undone_by` int(11) DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `UNIQ_72999517F6BD16465286D72B` (`site_id`,`sequence`),
  KEY `IDX_729995174D7B7542` (`line_id`),
  KEY `by_subject` (`person_id`,`at`),
  CONSTRAINT `FK_72999517217BBB47` FOREIGN KEY (`person_id`) REFERENCES `person` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `hours` (
  `place_key` varchar(170) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `from_at` datetime NOT NULL,
  `until_at` datetime NOT NULL,
  `meetings` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`meetings`)),
  `id` binary(16) NOT NULL,
  `place` smallint(6) NOT NULL,
  `terms` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`terms`)),
  `site_id` binary(16) NOT NULL,
  `section_id` binary(16) DEFAULT NULL,
  PRIMARY KEY (`id`),
  KEY `IDX_8A1ABD8D8522CD586314E33B` (`place_key`,`until_at`),
  KEY `IDX_8A1ABD8DF6BD1646` (`site_id`),
  KEY `IDX_8A1ABD8DD823E37A` (`section_id`),
  CONSTRAINT `FK_8A1ABD8DD823E37A` FOREIGN KEY (`section_id`) REFERENCES `section` (`id`),
  CONSTRAINT `FK_8A1ABD8DF6BD1646` FOREIGN KEY (`site_id`) REFERENCES `site` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `idempotency` (
  `person_id` binary(16) NOT NULL,
  `id` varchar(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `body_hash` binary(32) NOT NULL,
  `status` smallint(6) DEFAULT NULL,
  `etag` varchar(32) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL,
  `answer` mediumtext DEFAULT NULL,
  `made_at` datetime NOT NULL,
  PRIMARY KEY (`person_id`,`id`),
  KEY `made` (`made_at`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `invitation` (
  `id` binary(16) NOT NULL,
  `site_id` binary(16) NOT NULL,
  `door_id` binary(16) NOT NULL,
  `person_id` binary(16) DEFAULT NULL,
  `address` varchar(190) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `words` varchar(2000) NOT NULL,
  `holds` tinyint(4) NOT NULL DEFAULT 0,
  `made_by` binary(16) NOT NULL,
  `made_at` datetime NOT NULL,
  `lapses_at` datetime NOT NULL,
  `remind_at` datetime DEFAULT NULL,
  `sent` smallint(6) NOT NULL DEFAULT 1,
  `opened_at` datetime DEFAULT NULL,
  `answered_at` datetime DEFAULT NULL,
  `answered_by` binary(16) DEFAULT NULL,
  `withdrawn_at` datetime DEFAULT NULL,
  `unanswered` tinyint(4) DEFAULT 1,
  PRIMARY KEY (`id`),
  UNIQUE KEY `once` (`door_id`,`address`,`unanswered`),
  KEY `site` (`site_id`,`unanswered`),
  KEY `person` (`person_id`),
  KEY `lapsing` (`unanswered`,`lapses_at`),
  KEY `reminding` (`unanswered`,`remind_at`),
  CONSTRAINT `FK_F11D61A2217BBB47` FOREIGN KEY (`person_id`) REFERENCES `person` (`id`),
  CONSTRAINT `FK_F11D61A258639EAE` FOREIGN KEY (`door_id`) REFERENCES `door` (`id`),
  CONSTRAINT `FK_F11D61A2F6BD1646` FOREIGN KEY (`site_id`) REFERENCES `site` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `invitation_link` (
  `token_hash` binary(32) NOT NULL,
  `invitation_id` binary(16) NOT NULL,
  PRIMARY KEY (`token_hash`),
  KEY `invitation` (`invitation_id`),
  CONSTRAINT `FK_FBAD55A5A35D7AF0` FOREIGN KEY (`invitation_id`) REFERENCES `invitation` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `item_visibility` (
  `item` varchar(64) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `sentence` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin DEFAULT NULL CHECK (json_valid(`sentence`)),
  `site_id` binary(16) NOT NULL,
  `named_id` binary(16) DEFAULT NULL,
  PRIMARY KEY (`site_id`,`item`),
  KEY `IDX_EC3F6B0AF6BD1646` (`site_id`),
  KEY `IDX_EC3F6B0A457EB27E` (`named_id`),
  CONSTRAINT `FK_EC3F6B0A457EB27E` FOREIGN KEY (`named_id`) REFERENCES `named_visibility` (`id`),
  CONSTRAINT `FK_EC3F6B0AF6BD1646` FOREIGN KEY (`site_id`) REFERENCES `site` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `label` (
  `id` binary(16) NOT NULL,
  `name` varchar(40) NOT NULL,
  `made_by` binary(16) DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `UNIQ_EA750E85E237E06` (`name`),
  KEY `IDX_EA750E8CD1D5128` (`made_by`),
  CONSTRAINT `FK_EA750E8CD1D5128` FOREIGN KEY (`made_by`) REFERENCES `person` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `letter` (
  `id` varchar(120) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `address` varchar(190) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `arrived_at` datetime NOT NULL,
  `subject` varchar(400) NOT NULL,
  `text` text NOT NULL,
  `html` mediumtext NOT NULL,
  `number` bigint(20) NOT NULL AUTO_INCREMENT,
  PRIMARY KEY (`number`),
  UNIQUE KEY `once` (`id`),
  KEY `address` (`address`,`number`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `link_work` (
  `due_at` datetime NOT NULL,
  `asked` int(11) NOT NULL DEFAULT 1,
  `why` varchar(32) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT '',
  `agreed` tinyint(4) NOT NULL DEFAULT 0,
  `again` tinyint(4) NOT NULL DEFAULT 0,
  `link_id` binary(16) NOT NULL,
  `person_id` binary(16) NOT NULL,
  PRIMARY KEY (`link_id`,`person_id`),
  KEY `due` (`due_at`,`link_id`),
  KEY `waits` (`why`,`link_id`),
  KEY `of_person` (`person_id`),
  KEY `IDX_E209FA29ADA40271` (`link_id`),
  CONSTRAINT `FK_E209FA29217BBB47` FOREIGN KEY (`person_id`) REFERENCES `person` (`id`),
  CONSTRAINT `FK_E209FA29ADA40271` FOREIGN KEY (`link_id`) REFERENCES `cohort_link` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `mail_secret` (
  `id` int(11) NOT NULL,
  `sealed` longtext CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  PRIMARY KEY (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `message` (
  `id` binary(16) NOT NULL,
  `cause` varchar(120) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `kind` varchar(24) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `person_id` binary(16) DEFAULT NULL,
  `address` varchar(190) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `site_id` binary(16) DEFAULT NULL,
  `change_list_id` binary(16) DEFAULT NULL,
  `position` int(11) DEFAULT NULL,
  `line_id` binary(16) DEFAULT NULL,
  `subject` varchar(400) NOT NULL,
  `body` text NOT NULL,
  `state` varchar(24) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `tries` smallint(6) NOT NULL DEFAULT 0,
  `reason` varchar(200) DEFAULT NULL,
  `made_by` binary(16) DEFAULT NULL,
  `made_at` datetime NOT NULL,
  `due_at` datetime DEFAULT NULL,
  `sent_at` datetime DEFAULT NULL,
  `invitation_id` binary(16) DEFAULT NULL,
  `language` varchar(16) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT 'en',
  `division` varchar(32) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `cause` (`cause`),
  KEY `due` (`due_at`,`id`),
  KEY `person` (`person_id`,`id`),
  KEY `site` (`site_id`,`id`),
  KEY `change_list` (`change_list_id`,`position`),
  KEY `line` (`line_id`),
  KEY `invitation` (`invitation_id`,`id`),
  KEY `by_state` (`state`,`made_at`),
  CONSTRAINT `FK_B6BD307F217BBB47` FOREIGN KEY (`person_id`) REFERENCES `person` (`id`),
  CONSTRAINT `FK_B6BD307FF6BD1646` FOREIGN KEY (`site_id`) REFERENCES `site` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `message_template` (
  `kind` varchar(24) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `of_id` binary(16) NOT NULL,
  `subject` varchar(150) NOT NULL,
  `body` longtext NOT NULL,
  `version` int(11) NOT NULL,
  `changed_by` binary(16) NOT NULL,
  `changed_at` datetime NOT NULL,
  `language` varchar(16) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT 'en',
  PRIMARY KEY (`kind`,`of_id`,`language`),
  KEY `IDX_9E46DB9210BC6D9F` (`changed_by`),
  CONSTRAINT `FK_9E46DB9210BC6D9F` FOREIGN KEY (`changed_by`) REFERENCES `person` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `messenger_messages` (
  `id` bigint(20) NOT NULL AUTO_INCREMENT,
  `body` longtext NOT NULL,
  `headers` longtext NOT NULL,
  `queue_name` varchar(190) NOT NULL,
  `created_at` datetime NOT NULL,
  `available_at` datetime NOT NULL,
  `delivered_at` datetime DEFAULT NULL,
  PRIMARY KEY (`id`),
  KEY `next` (`queue_name`,`available_at`,`delivered_at`,`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `name_slip` (
  `slip` varchar(48) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `name` varchar(48) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  PRIMARY KEY (`slip`,`name`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `named_visibility` (
  `id` binary(16) NOT NULL,
  `name` varchar(60) NOT NULL,
  `sentence` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`sentence`)),
  `site_id` binary(16) NOT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `UNIQ_54506DAEF6BD16465E237E06` (`site_id`,`name`),
  KEY `IDX_54506DAEF6BD1646` (`site_id`),
  CONSTRAINT `FK_54506DAEF6BD1646` FOREIGN KEY (`site_id`) REFERENCES `site` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `notice` (
  `id` binary(16) NOT NULL,
  `person_id` binary(16) NOT NULL,
  `code` varchar(32) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `data` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`data`)),
  `by_id` binary(16) DEFAULT NULL,
  `at` datetime NOT NULL,
  `seen_at` datetime DEFAULT NULL,
  PRIMARY KEY (`id`),
  KEY `unseen` (`person_id`,`seen_at`),
  KEY `IDX_480D45C2AAE72004` (`by_id`),
  CONSTRAINT `FK_480D45C2217BBB47` FOREIGN KEY (`person_id`) REFERENCES `person` (`id`),
  CONSTRAINT `FK_480D45C2AAE72004` FOREIGN KEY (`by_id`) REFERENCES `person` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `numbers_reader` (
  `id` binary(16) NOT NULL,
  `person_id` binary(16) NOT NULL,
  `division_id` binary(16) DEFAULT NULL,
  PRIMARY KEY (`id`),
  KEY `person` (`person_id`),
  KEY `IDX_EC472D3341859289` (`division_id`),
  CONSTRAINT `FK_EC472D33217BBB47` FOREIGN KEY (`person_id`) REFERENCES `person` (`id`),
  CONSTRAINT `FK_EC472D3341859289` FOREIGN KEY (`division_id`) REFERENCES `division` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `person` (
  `id` binary(16) NOT NULL,
  `kind` varchar(16) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `division_id` binary(16) NOT NULL,
  `given_name` varchar(80) NOT NULL,
  `family_name` varchar(80) NOT NULL,
  `sort_name` varchar(164) NOT NULL,
  `terms` varchar(250) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `level` smallint(6) DEFAULT NULL,
  `preferred_name` varchar(80) DEFAULT NULL,
  `number` varchar(32) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL,
  `email` varchar(190) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin DEFAULT NULL,
  `gone` varchar(16) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL,
  `gone_into` binary(16) DEFAULT NULL,
  `version` int(11) NOT NULL DEFAULT 1,
  `own_kind` varchar(32) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL,
  `further_names` text DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `UNIQ_34DCD17696901F54` (`number`),
  UNIQUE KEY `UNIQ_34DCD176E7927C74` (`email`),
  KEY `gone_into` (`gone_into`),
  KEY `IDX_34DCD17641859289` (`division_id`),
  KEY `by_level` (`level`),
  KEY `in_order` (`gone`,`sort_name`,`id`,`kind`,`division_id`,`level`,`own_kind`),
  CONSTRAINT `FK_34DCD17641859289` FOREIGN KEY (`division_id`) REFERENCES `division` (`id`),
  CONSTRAINT `FK_34DCD1767C0A2507` FOREIGN KEY (`gone_into`) REFERENCES `person` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `person_detail` (
  `code` varchar(32) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `value` varchar(120) NOT NULL,
  `amount` double DEFAULT NULL,
  `person_id` binary(16) NOT NULL,
  PRIMARY KEY (`person_id`,`code`),
  KEY `by_value` (`code`,`value`),
  KEY `by_amount` (`code`,`amount`),
  KEY `IDX_B2A34F25217BBB47` (`person_id`),
  CONSTRAINT `FK_B2A34F25217BBB47` FOREIGN KEY (`person_id`) REFERENCES `person` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `person_key` (
  `code` varchar(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `division_id` binary(16) NOT NULL,
  `person_id` binary(16) NOT NULL,
  PRIMARY KEY (`code`,`division_id`,`person_id`),
  KEY `person` (`person_id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `person_label` (
  `person_id` binary(16) NOT NULL,
  `label_id` binary(16) NOT NULL,
  `put_by` binary(16) DEFAULT NULL,
  `put_at` datetime NOT NULL,
  PRIMARY KEY (`person_id`,`label_id`),
  KEY `IDX_A2914F2C33B92F39217BBB47` (`label_id`,`person_id`),
  CONSTRAINT `FK_A2914F2C217BBB47` FOREIGN KEY (`person_id`) REFERENCES `person` (`id`),
  CONSTRAINT `FK_A2914F2C33B92F39` FOREIGN KEY (`label_id`) REFERENCES `label` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `person_note` (
  `id` binary(16) NOT NULL,
  `person_id` binary(16) NOT NULL,
  `made_by` binary(16) NOT NULL,
  `made_at` datetime NOT NULL,
  `text` varchar(2000) NOT NULL,
  `taken_back` tinyint(4) NOT NULL DEFAULT 0,
  PRIMARY KEY (`id`),
  KEY `IDX_455B7E3F217BBB4798817E56` (`person_id`,`made_at`),
  KEY `IDX_455B7E3FCD1D5128` (`made_by`),
  CONSTRAINT `FK_455B7E3F217BBB47` FOREIGN KEY (`person_id`) REFERENCES `person` (`id`),
  CONSTRAINT `FK_455B7E3FCD1D5128` FOREIGN KEY (`made_by`) REFERENCES `person` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `person_term` (
  `term` varchar(48) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `sort_name` varchar(164) NOT NULL,
  `person_id` binary(16) NOT NULL,
  `names` varchar(250) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  PRIMARY KEY (`term`,`sort_name`,`person_id`),
  KEY `by_person` (`person_id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `plan_wish` (
  `sections` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`sections`)),
  `said_at` datetime NOT NULL,
  `plan_id` binary(16) NOT NULL,
  `person_id` binary(16) NOT NULL,
  PRIMARY KEY (`plan_id`,`person_id`),
  KEY `IDX_C207B83BE899029B` (`plan_id`),
  KEY `IDX_C207B83B217BBB47` (`person_id`),
  CONSTRAINT `FK_C207B83B217BBB47` FOREIGN KEY (`person_id`) REFERENCES `person` (`id`),
  CONSTRAINT `FK_C207B83BE899029B` FOREIGN KEY (`plan_id`) REFERENCES `site_plan` (`id`) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `platform_counter` (
  `id` smallint(6) NOT NULL,
  `log_sequence` int(11) NOT NULL,
  PRIMARY KEY (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `quiet` (
  `site_id` binary(16) NOT NULL,
  `person_id` binary(16) NOT NULL,
  `door_id` binary(16) NOT NULL,
  `warned_at` datetime NOT NULL,
  `goes_at` datetime NOT NULL,
  PRIMARY KEY (`site_id`,`person_id`),
  KEY `going` (`goes_at`),
  KEY `IDX_5695B4A4217BBB47` (`person_id`),
  KEY `IDX_5695B4A458639EAE` (`door_id`),
  CONSTRAINT `FK_5695B4A4217BBB47` FOREIGN KEY (`person_id`) REFERENCES `person` (`id`),
  CONSTRAINT `FK_5695B4A458639EAE` FOREIGN KEY (`door_id`) REFERENCES `door` (`id`),
  CONSTRAINT `FK_5695B4A4F6BD1646` FOREIGN KEY (`site_id`) REFERENCES `site` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `registration` (
  `id` binary(16) NOT NULL,
  `division_id` binary(16) NOT NULL,
  `given_name` varchar(80) NOT NULL,
  `family_name` varchar(80) NOT NULL,
  `email` varchar(190) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `number` varchar(40) DEFAULT NULL,
  `level` smallint(6) DEFAULT NULL,
  `asked_at` datetime NOT NULL,
  `token_hash` varbinary(32) DEFAULT NULL,
  `confirmed_at` datetime DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `token` (`token_hash`),
  KEY `IDX_62A8A7A741859289` (`division_id`),
  KEY `waiting` (`division_id`,`confirmed_at`),
  CONSTRAINT `FK_62A8A7A741859289` FOREIGN KEY (`division_id`) REFERENCES `division` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `registration_code` (
  `division_id` binary(16) NOT NULL,
  `sealed` longtext CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  PRIMARY KEY (`division_id`),
  CONSTRAINT `FK_D1F2A9A641859289` FOREIGN KEY (`division_id`) REFERENCES `division` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `rule_book` (
  `version` int(11) NOT NULL,
  `made_at` datetime NOT NULL,
  `made_by` binary(16) DEFAULT NULL,
  `settings` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`settings`)),
  PRIMARY KEY (`version`),
  KEY `IDX_9821FC46CD1D5128` (`made_by`),
  CONSTRAINT `FK_9821FC46CD1D5128` FOREIGN KEY (`made_by`) REFERENCES `person` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `saved_view` (
  `id` binary(16) NOT NULL,
  `person_id` binary(16) NOT NULL,
  `site_id` binary(16) NOT NULL,
  `name` varchar(60) NOT NULL,
  `view` varchar(500) NOT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `UNIQ_F0C2599B217BBB47F6BD16465E237E06` (`person_id`,`site_id`,`name`),
  KEY `IDX_F0C2599BF6BD1646` (`site_id`),
  CONSTRAINT `FK_F0C2599B217BBB47` FOREIGN KEY (`person_id`) REFERENCES `person` (`id`),
  CONSTRAINT `FK_F0C2599BF6BD1646` FOREIGN KEY (`site_id`) REFERENCES `site` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `section` (
  `id` binary(16) NOT NULL,
  `site_id` binary(16) NOT NULL,
  `name` varchar(80) NOT NULL,
  `meets` varchar(120) NOT NULL,
  `place` smallint(6) NOT NULL DEFAULT 0,
  `seats` int(11) DEFAULT NULL,
  `from_at` datetime NOT NULL DEFAULT '1000-01-01 00:00:00',
  `until_at` datetime NOT NULL DEFAULT '9999-12-31 00:00:00',
  `retired` tinyint(1) NOT NULL DEFAULT 0,
  PRIMARY KEY (`id`),
  KEY `IDX_2D737AEFF6BD1646` (`site_id`),
  CONSTRAINT `FK_2D737AEFF6BD1646` FOREIGN KEY (`site_id`) REFERENCES `site` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `security_chain` (
  `id` smallint(6) NOT NULL,
  `entries` bigint(20) NOT NULL,
  `sealed` varbinary(255) NOT NULL,
  PRIMARY KEY (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `security_entry` (
  `sequence` bigint(20) NOT NULL,
  `at` datetime NOT NULL,
  `code` varchar(32) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `person_id` binary(16) DEFAULT NULL,
  `by_id` binary(16) DEFAULT NULL,
  `site_id` binary(16) DEFAULT NULL,
  `division_id` binary(16) DEFAULT NULL,
  `address` varchar(45) DEFAULT NULL,
  `place` char(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `data` text NOT NULL,
  `hash` char(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  PRIMARY KEY (`sequence`),
  KEY `at` (`at`),
  KEY `person` (`person_id`,`sequence`),
  KEY `by_whom` (`by_id`,`sequence`),
  KEY `division` (`division_id`,`sequence`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `session` (
  `id` binary(32) NOT NULL,
  `person_id` binary(16) DEFAULT NULL,
  `data` blob NOT NULL,
  `touched_at` datetime NOT NULL,
  `made_at` datetime NOT NULL,
  `ends_at` datetime NOT NULL,
  `address` varchar(45) DEFAULT NULL,
  `device` varchar(40) NOT NULL DEFAULT '',
  `renew` tinyint(4) NOT NULL DEFAULT 0,
  PRIMARY KEY (`id`),
  KEY `by_person` (`person_id`),
  KEY `touched` (`touched_at`),
  KEY `ends` (`ends_at`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `settings_version` (
  `version` int(11) NOT NULL,
  `made_at` datetime NOT NULL,
  `made_by` binary(16) DEFAULT NULL,
  `settings` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`settings`)),
  PRIMARY KEY (`version`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `settled_line` (
  `site_id` binary(16) NOT NULL,
  `gist` varchar(120) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `person_id` binary(16) NOT NULL,
  `made_by` binary(16) NOT NULL,
  `made_at` datetime NOT NULL,
  `text` varchar(200) NOT NULL,
  PRIMARY KEY (`site_id`,`gist`),
  KEY `IDX_DCD3B020217BBB47` (`person_id`),
  KEY `IDX_DCD3B020CD1D5128` (`made_by`),
  CONSTRAINT `FK_DCD3B020217BBB47` FOREIGN KEY (`person_id`) REFERENCES `person` (`id`),
  CONSTRAINT `FK_DCD3B020CD1D5128` FOREIGN KEY (`made_by`) REFERENCES `person` (`id`),
  CONSTRAINT `FK_DCD3B020F6BD1646` FOREIGN KEY (`site_id`) REFERENCES `site` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `site` (
  `id` binary(16) NOT NULL,
  `code` varchar(24) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `title` varchar(160) NOT NULL,
  `kind` varchar(16) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `division_id` binary(16) NOT NULL,
  `term_id` binary(16) DEFAULT NULL,
  `level_lowest` smallint(6) DEFAULT NULL,
  `level_highest` smallint(6) DEFAULT NULL,
  `seats` int(11) DEFAULT NULL,
  `lead_limit` smallint(6) DEFAULT NULL,
  `time_zone` varchar(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `opens_at` datetime NOT NULL,
  `closes_at` datetime NOT NULL,
  `version` int(11) NOT NULL,
  `roster_version` int(11) NOT NULL,
  `log_sequence` int(11) NOT NULL,
  `taken_back` tinyint(4) NOT NULL DEFAULT 0,
  `last_entry_at` datetime NOT NULL DEFAULT '1000-01-01 00:00:00',
  `sections_apart` tinyint(1) NOT NULL DEFAULT 0,
  `sections_several` tinyint(1) NOT NULL DEFAULT 0,
  `merged_into` binary(16) DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `UNIQ_694309E477153098` (`code`),
  KEY `IDX_694309E42B36786BBF396750` (`title`,`id`),
  KEY `IDX_694309E4418592892B36786BBF396750` (`division_id`,`title`,`id`),
  KEY `IDX_694309E4E2C35FC` (`term_id`),
  KEY `by_level` (`level_highest`),
  KEY `there` (`taken_back`),
  KEY `opening` (`opens_at`),
  KEY `closing` (`closes_at`),
  KEY `news` (`last_entry_at`),
  KEY `counting` (`division_id`,`taken_back`,`opens_at`,`closes_at`),
  KEY `merged` (`merged_into`),
  CONSTRAINT `FK_694309E441859289` FOREIGN KEY (`division_id`) REFERENCES `division` (`id`),
  CONSTRAINT `FK_694309E4A6A0AE8D` FOREIGN KEY (`merged_into`) REFERENCES `site` (`id`),
  CONSTRAINT `FK_694309E4E2C35FC` FOREIGN KEY (`term_id`) REFERENCES `term` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `site_count` (
  `site_id` binary(16) NOT NULL,
  `roster_version` int(11) NOT NULL,
  `from_at` datetime NOT NULL,
  `until_at` datetime NOT NULL,
  `learners` int(11) NOT NULL,
  `staff` int(11) NOT NULL,
  `others` int(11) NOT NULL,
  `unlisted` int(11) NOT NULL,
  `seats_held` int(11) NOT NULL,
  PRIMARY KEY (`site_id`),
  CONSTRAINT `FK_41839467F6BD1646` FOREIGN KEY (`site_id`) REFERENCES `site` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `site_group` (
  `id` binary(16) NOT NULL,
  `name` varchar(80) NOT NULL,
  `most` int(11) DEFAULT NULL,
  `notes` varchar(500) NOT NULL,
  `place` smallint(6) NOT NULL DEFAULT 0,
  `gone` tinyint(4) NOT NULL DEFAULT 0,
  `split_id` binary(16) NOT NULL,
  `leader_id` binary(16) DEFAULT NULL,
  `founded` tinyint(4) NOT NULL DEFAULT 0,
  `kind` varchar(80) DEFAULT NULL,
  PRIMARY KEY (`id`),
  KEY `IDX_A99A94C03DDC68C5741D53CD` (`split_id`,`place`),
  KEY `IDX_A99A94C03DDC68C5` (`split_id`),
  KEY `IDX_A99A94C073154ED4` (`leader_id`),
  CONSTRAINT `FK_A99A94C03DDC68C5` FOREIGN KEY (`split_id`) REFERENCES `group_split` (`id`),
  CONSTRAINT `FK_A99A94C073154ED4` FOREIGN KEY (`leader_id`) REFERENCES `person` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `site_plan` (
  `state` varchar(12) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `version` int(11) NOT NULL,
  `opens_at` datetime DEFAULT NULL,
  `closes_at` datetime DEFAULT NULL,
  `asked_at` datetime DEFAULT NULL,
  `reminded_at` datetime DEFAULT NULL,
  `seed` varchar(64) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin DEFAULT NULL,
  `drawn_at` datetime DEFAULT NULL,
  `done` int(11) NOT NULL,
  `steps` int(11) NOT NULL,
  `beat_at` datetime DEFAULT NULL,
  `stops` tinyint(4) NOT NULL,
  `outcome` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin DEFAULT NULL CHECK (json_valid(`outcome`)),
  `id` binary(16) NOT NULL,
  `terms` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`terms`)),
  `change_list_id` binary(16) DEFAULT NULL,
  `site_id` binary(16) NOT NULL,
  `put_away_at` datetime DEFAULT NULL,
  `told_at` datetime DEFAULT NULL,
  `joint` binary(16) DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `UNIQ_E6C0E684F6BD1646` (`site_id`),
  KEY `IDX_E6C0E684A393D2FBD51DF323` (`state`,`beat_at`),
  KEY `closing` (`closes_at`),
  KEY `IDX_E6C0E684CDA9B422` (`change_list_id`),
  KEY `joint` (`joint`),
  CONSTRAINT `FK_E6C0E684CDA9B422` FOREIGN KEY (`change_list_id`) REFERENCES `change_list` (`id`),
  CONSTRAINT `FK_E6C0E684F6BD1646` FOREIGN KEY (`site_id`) REFERENCES `site` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `site_term` (
  `inside` tinyint(4) NOT NULL,
  `term` varchar(48) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `title` varchar(160) NOT NULL,
  `site_id` binary(16) NOT NULL,
  `names` varchar(700) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  PRIMARY KEY (`inside`,`term`,`title`,`site_id`),
  KEY `IDX_9E955A74F6BD1646` (`site_id`),
  CONSTRAINT `FK_9E955A74F6BD1646` FOREIGN KEY (`site_id`) REFERENCES `site` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `starter_door` (
  `door_id` binary(16) NOT NULL,
  `division` varchar(32) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `site` varchar(32) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `role` varchar(32) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  PRIMARY KEY (`door_id`),
  CONSTRAINT `FK_2016B3CE58639EAE` FOREIGN KEY (`door_id`) REFERENCES `door` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `term` (
  `id` binary(16) NOT NULL,
  `code` varchar(32) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `name` varchar(120) NOT NULL,
  `starts_on` varchar(10) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `ends_on` varchar(10) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `division_id` binary(16) DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `UNIQ_A50FE78D77153098` (`code`),
  KEY `IDX_A50FE78D41859289` (`division_id`),
  CONSTRAINT `FK_A50FE78D41859289` FOREIGN KEY (`division_id`) REFERENCES `division` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `throttle` (
  `id` binary(32) NOT NULL,
  `hits` int(11) NOT NULL,
  `window_ends` datetime NOT NULL,
  PRIMARY KEY (`id`),
  KEY `ends` (`window_ends`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `told_apart` (
  `one_id` binary(16) NOT NULL,
  `other_id` binary(16) NOT NULL,
  `made_by` binary(16) NOT NULL,
  `made_at` datetime NOT NULL,
  PRIMARY KEY (`one_id`,`other_id`),
  KEY `IDX_568E95E6998D9879` (`other_id`),
  KEY `IDX_568E95E6CD1D5128` (`made_by`),
  CONSTRAINT `FK_568E95E6998D9879` FOREIGN KEY (`other_id`) REFERENCES `person` (`id`),
  CONSTRAINT `FK_568E95E6CD1D5128` FOREIGN KEY (`made_by`) REFERENCES `person` (`id`),
  CONSTRAINT `FK_568E95E6FB9ACE13` FOREIGN KEY (`one_id`) REFERENCES `person` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;

CREATE TABLE `waiter` (
  `id` bigint(20) unsigned NOT NULL AUTO_INCREMENT,
  `site_id` binary(16) NOT NULL,
  `door_id` binary(16) NOT NULL,
  `person_id` binary(16) NOT NULL,
  `what` varchar(16) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `state` varchar(16) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `waits` tinyint(4) DEFAULT NULL,
  `section_id` binary(16) DEFAULT NULL,
  `why` longtext DEFAULT NULL,
  `ahead` int(11) NOT NULL DEFAULT 0,
  `moved_why` varchar(300) DEFAULT NULL,
  `made_at` datetime NOT NULL,
  `offered_until` datetime DEFAULT NULL,
  `decided_by` binary(16) DEFAULT NULL,
  `decided_at` datetime DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `once` (`door_id`,`person_id`,`waits`),
  KEY `site` (`site_id`,`waits`,`what`),
  KEY `person` (`person_id`,`waits`),
  KEY `due` (`waits`,`offered_until`),
  KEY `IDX_B0E035D0D823E37A` (`section_id`),
  KEY `asking` (`waits`,`what`,`made_at`),
  CONSTRAINT `FK_B0E035D0217BBB47` FOREIGN KEY (`person_id`) REFERENCES `person` (`id`),
  CONSTRAINT `FK_B0E035D058639EAE` FOREIGN KEY (`door_id`) REFERENCES `door` (`id`),
  CONSTRAINT `FK_B0E035D0D823E37A` FOREIGN KEY (`section_id`) REFERENCES `section` (`id`),
  CONSTRAINT `FK_B0E035D0F6BD1646` FOREIGN KEY (`site_id`) REFERENCES `site` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
