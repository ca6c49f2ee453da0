/*M!999999\- enable the sandbox mode */ 

/*!40101 SET @OLD_CHARACTER_SET_CLIENT=@@CHARACTER_SET_CLIENT */;
/*!40101 SET @OLD_CHARACTER_SET_RESULTS=@@CHARACTER_SET_RESULTS */;
/*!40101 SET @OLD_COLLATION_CONNECTION=@@COLLATION_CONNECTION */;
/*!40101 SET NAMES utf8mb4 */;
/*!40103 SET @OLD_TIME_ZONE=@@TIME_ZONE */;
/*!40103 SET TIME_ZONE='+00:00' */;
/*!40014 SET @OLD_UNIQUE_CHECKS=@@UNIQUE_CHECKS, UNIQUE_CHECKS=0 */;
/*!40014 SET @OLD_FOREIGN_KEY_CHECKS=@@FOREIGN_KEY_CHECKS, FOREIGN_KEY_CHECKS=0 */;
/*!40101 SET @OLD_SQL_MODE=@@SQL_MODE, SQL_MODE='NO_AUTO_VALUE_ON_ZERO' */;
/*!40111 SET @OLD_SQL_NOTES=@@SQL_NOTES, SQL_NOTES=0 */;
DROP TABLE IF EXISTS `attempt`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `attempt` (
  `scope` varchar(100) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `count` int(11) NOT NULL,
  `last_at` datetime(3) NOT NULL,
  `blocked_until` datetime(3) NOT NULL,
  PRIMARY KEY (`scope`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

DROP TABLE IF EXISTS `delivery`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `delivery` (
  `id` bigint(20) unsigned NOT NULL AUTO_INCREMENT,
  `placement_id` bigint(20) unsigned NOT NULL,
  `number` int(11) NOT NULL,
  `revision_id` bigint(20) unsigned NOT NULL,
  `pieces` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`pieces`)),
  `text` longtext NOT NULL,
  `digest` varchar(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `created_at` datetime(3) NOT NULL,
  `created_by` bigint(20) unsigned DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `delivery_number` (`placement_id`,`number`),
  KEY `delivery_revision_id_revision_id_fk` (`revision_id`),
  KEY `delivery_created_by_person_id_fk` (`created_by`),
  CONSTRAINT `delivery_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION,
  CONSTRAINT `delivery_placement_id_placement_id_fk` FOREIGN KEY (`placement_id`) REFERENCES `placement` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION,
  CONSTRAINT `delivery_revision_id_revision_id_fk` FOREIGN KEY (`revision_id`) REFERENCES `revision` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION
) ENGINE=InnoDB AUTO_INCREMENT=4 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

INSERT INTO `delivery` VALUES (1,1,1,4,'[{\"position\":\"spot\",\"runs\":[{\"from\":\"source\",\"start\":0,\"end\":7,\"text\":\"<iframe\"},{\"from\":\"orbis\",\"text\":\" allow=\\\"autoplay\\\"\",\"stage\":\"settings\",\"wishes\":[\"autoplay\"],\"reason\":\"The frame is allowed autoplay, which autoplay needs.\",\"instead\":{\"start\":7,\"end\":7}},{\"from\":\"orbis\",\"text\":\" style=\\\"width:62.5%\\\"\",\"stage\":\"dress\",\"wishes\":[\"share\"],\"reason\":\"62.5 % of the width of its place (width).\",\"instead\":{\"start\":7,\"end\":7}},{\"from\":\"orbis\",\"text\":\" data-orbis=\\\"74f3j1tdnc.1\\\"\",\"stage\":\"mark\",\"wishes\":[\"mark\"],\"reason\":\"By this a sweep knows which placement it is, and which delivery of its code.\",\"instead\":{\"start\":7,\"end\":7}},{\"from\":\"source\",\"start\":7,\"end\":95,\"text\":\" width=\\\"560\\\" height=\\\"315\\\" src=\\\"https://play.kinorill.localhost/reel/nB4moorNight?knobs=1\"},{\"from\":\"orbis\",\"text\":\"&amp;from=1.5&amp;roll=1&amp;hush=1\",\"stage\":\"settings\",\"wishes\":[\"start\",\"autoplay\",\"muted\"],\"reason\":\"Start at 0:01.5 (from=1.5 in the address, as Kinorill takes it); play by itself (roll=1 in the address, as Kinorill takes it); play without sound, because browsers let a video play by itself only without sound (hush=1 in the address, as Kinorill takes it).\",\"instead\":{\"start\":95,\"end\":95}},{\"from\":\"source\",\"start\":95,\"end\":127,\"text\":\"\\\" title=\\\"Opening talk\\\"></iframe>\"}]}]','<iframe allow=\"autoplay\" style=\"width:62.5%\" data-orbis=\"74f3j1tdnc.1\" width=\"560\" height=\"315\" src=\"https://play.kinorill.localhost/reel/nB4moorNight?knobs=1&amp;from=1.5&amp;roll=1&amp;hush=1\" title=\"Opening talk\"></iframe>','5f7dbc9ac463c7ed236c7f73b8b35d9af36de5a9ab2f8022e239ed27db424fc2','2026-11-26 08:26:34.387',1);
INSERT INTO `delivery` VALUES (2,2,1,2,'[{\"position\":\"spot\",\"runs\":[{\"from\":\"source\",\"start\":0,\"end\":7,\"text\":\"<iframe\"},{\"from\":\"orbis\",\"text\":\" data-orbis=\\\"khvs1mdc9a.1\\\"\",\"stage\":\"mark\",\"wishes\":[\"mark\"],\"reason\":\"By this a sweep knows which placement it is, and which delivery of its code.\",\"instead\":{\"start\":7,\"end\":7}},{\"from\":\"source\",\"start\":7,\"end\":138,\"text\":\" src=\\\"https://elsewhere.localhost/x\\\" title=\\\"a &quot;wishes&quot;: b\\\"></iframe>\\n<!-- \\\"stage\\\":\\\"dress\\\",\\\"wishes\\\":[\\\"x\\\"],\\\"reason\\\":\\\"y\\\" -->\"}]}]','<iframe data-orbis=\"khvs1mdc9a.1\" src=\"https://elsewhere.localhost/x\" title=\"a &quot;wishes&quot;: b\"></iframe>\n<!-- \"stage\":\"dress\",\"wishes\":[\"x\"],\"reason\":\"y\" -->','3877b9c2baa74d6af178d234c043ef2e4e4b7af542b9fb08d130720fc680ad49','2026-11-26 08:26:34.467',1);
INSERT INTO `delivery` VALUES (3,1,2,5,'[{\"position\":\"spot\",\"runs\":[{\"from\":\"source\",\"start\":0,\"end\":7,\"text\":\"<iframe\"},{\"from\":\"orbis\",\"text\":\" style=\\\"display:block;margin:0 auto 0 0\\\"\",\"stage\":\"dress\",\"wishes\":[\"align\"],\"reason\":\"Only a block can be moved to the middle or the side (display); on the left of its place (margin).\",\"instead\":{\"start\":7,\"end\":7}},{\"from\":\"orbis\",\"text\":\" data-orbis=\\\"74f3j1tdnc.2\\\"\",\"stage\":\"mark\",\"wishes\":[\"mark\"],\"reason\":\"By this a sweep knows which placement it is, and which delivery of its code.\",\"instead\":{\"start\":7,\"end\":7}},{\"from\":\"source\",\"start\":7,\"end\":95,\"text\":\" width=\\\"560\\\" height=\\\"315\\\" src=\\\"https://play.kinorill.localhost/reel/nB4moorNight?knobs=1\"},{\"from\":\"orbis\",\"text\":\"&amp;x%5Dy=1\",\"stage\":\"settings\",\"wishes\":[\"parameter.x]y\"],\"reason\":\"x]y=1 in the address, as you set it by hand.\",\"instead\":{\"start\":95,\"end\":95}},{\"from\":\"source\",\"start\":95,\"end\":104,\"text\":\"\\\" title=\\\"\"},{\"from\":\"orbis\",\"text\":\"A &quot;reason&quot;: and \\\\ more\",\"stage\":\"settings\",\"wishes\":[\"title\"],\"reason\":\"Call it “A \\\"reason\\\": and \\\\ more” for people who cannot see it (title).\",\"instead\":{\"start\":104,\"end\":116}},{\"from\":\"source\",\"start\":116,\"end\":127,\"text\":\"\\\"></iframe>\"}]}]','<iframe style=\"display:block;margin:0 auto 0 0\" data-orbis=\"74f3j1tdnc.2\" width=\"560\" height=\"315\" src=\"https://play.kinorill.localhost/reel/nB4moorNight?knobs=1&amp;x%5Dy=1\" title=\"A &quot;reason&quot;: and \\ more\"></iframe>','cbccbccbad10b92f45b15290aebf646536a453c7e790176ada073bea9f123f97','2026-11-26 08:26:34.627',1);
DROP TABLE IF EXISTS `device`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `device` (
  `hash` varchar(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `person_id` bigint(20) unsigned NOT NULL,
  `created_at` datetime(3) NOT NULL,
  PRIMARY KEY (`hash`),
  KEY `device_person` (`person_id`,`created_at`),
  CONSTRAINT `device_person_id_person_id_fk` FOREIGN KEY (`person_id`) REFERENCES `person` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

INSERT INTO `device` VALUES ('74d7052d185c89a5c8ffead9cdf93b1d3ab1875b8b823b2abf849638feb0d033',1,'2026-11-26 08:26:30.674');
DROP TABLE IF EXISTS `embed`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `embed` (
  `id` bigint(20) unsigned NOT NULL AUTO_INCREMENT,
  `key` varchar(80) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `name` varchar(120) NOT NULL,
  `notes` mediumtext NOT NULL,
  `kind` varchar(20) NOT NULL,
  `provider` varchar(60) DEFAULT NULL,
  `level` enum('error','warning','note') DEFAULT NULL,
  `source` int(11) NOT NULL,
  `revision` int(11) NOT NULL,
  `retired_at` datetime(3) DEFAULT NULL,
  `version` int(11) NOT NULL DEFAULT 1,
  `changed_at` datetime(3) NOT NULL,
  `created_at` datetime(3) NOT NULL,
  `created_by` bigint(20) unsigned DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `embed_key_unique` (`key`),
  KEY `embed_created_by_person_id_fk` (`created_by`),
  KEY `embed_kind` (`kind`,`id`),
  CONSTRAINT `embed_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION
) ENGINE=InnoDB AUTO_INCREMENT=5 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

INSERT INTO `embed` VALUES (1,'opening-talk','Opening talk','It’s “noted”','video','kinorill',NULL,1,4,NULL,4,'2026-11-26 08:26:34.681','2026-11-26 08:26:30.929',1);
INSERT INTO `embed` VALUES (2,'plain','Plain','It’s “noted”','frame',NULL,NULL,1,1,NULL,1,'2026-11-26 08:26:34.195','2026-11-26 08:26:34.195',1);
INSERT INTO `embed` VALUES (3,'map','Map','It’s “noted”','map','mapmere',NULL,1,1,NULL,1,'2026-11-26 08:26:34.245','2026-11-26 08:26:34.245',1);
INSERT INTO `embed` VALUES (4,'moor','Moor','It’s “noted”','video','moorreel',NULL,1,1,NULL,1,'2026-11-26 08:26:34.809','2026-11-26 08:26:34.809',1);
DROP TABLE IF EXISTS `embed_host`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `embed_host` (
  `embed_id` bigint(20) unsigned NOT NULL,
  `host` varchar(253) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  PRIMARY KEY (`embed_id`,`host`),
  KEY `embed_host_host` (`host`),
  CONSTRAINT `embed_host_embed_id_embed_id_fk` FOREIGN KEY (`embed_id`) REFERENCES `embed` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

INSERT INTO `embed_host` VALUES (1,'play.kinorill.localhost');
INSERT INTO `embed_host` VALUES (2,'elsewhere.localhost');
INSERT INTO `embed_host` VALUES (3,'mapmere.localhost');
INSERT INTO `embed_host` VALUES (4,'play.moorreel.localhost');
DROP TABLE IF EXISTS `embed_tag`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `embed_tag` (
  `embed_id` bigint(20) unsigned NOT NULL,
  `tag` varchar(40) NOT NULL,
  PRIMARY KEY (`embed_id`,`tag`),
  KEY `embed_tag_tag` (`tag`),
  CONSTRAINT `embed_tag_embed_id_embed_id_fk` FOREIGN KEY (`embed_id`) REFERENCES `embed` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

INSERT INTO `embed_tag` VALUES (1,'talks');
INSERT INTO `embed_tag` VALUES (2,'talks');
INSERT INTO `embed_tag` VALUES (3,'talks');
INSERT INTO `embed_tag` VALUES (4,'talks');
DROP TABLE IF EXISTS `group_change`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `group_change` (
  `id` bigint(20) unsigned NOT NULL AUTO_INCREMENT,
  `public_id` varchar(10) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `search` varchar(2000) NOT NULL,
  `said` varchar(2000) NOT NULL,
  `embeds` int(11) NOT NULL,
  `undone_at` datetime(3) DEFAULT NULL,
  `created_at` datetime(3) NOT NULL,
  `created_by` bigint(20) unsigned DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `group_change_publicId_unique` (`public_id`),
  KEY `group_change_created_by_person_id_fk` (`created_by`),
  CONSTRAINT `group_change_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION
) ENGINE=InnoDB AUTO_INCREMENT=2 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

INSERT INTO `group_change` VALUES (1,'vrvj42ayyh','-wish=loop kind=video','loop=on',1,NULL,'2026-11-26 08:26:34.681',1);
DROP TABLE IF EXISTS `group_change_item`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `group_change_item` (
  `change_id` bigint(20) unsigned NOT NULL,
  `embed_id` bigint(20) unsigned NOT NULL,
  `from` int(11) NOT NULL,
  `to` int(11) NOT NULL,
  `version` int(11) NOT NULL,
  PRIMARY KEY (`change_id`,`embed_id`),
  KEY `group_change_item_embed_id_embed_id_fk` (`embed_id`),
  CONSTRAINT `group_change_item_change_id_group_change_id_fk` FOREIGN KEY (`change_id`) REFERENCES `group_change` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION,
  CONSTRAINT `group_change_item_embed_id_embed_id_fk` FOREIGN KEY (`embed_id`) REFERENCES `embed` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

INSERT INTO `group_change_item` VALUES (1,1,3,4,4);
DROP TABLE IF EXISTS `harvest`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `harvest` (
  `id` bigint(20) unsigned NOT NULL AUTO_INCREMENT,
  `public_id` varchar(10) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `address` varchar(2000) DEFAULT NULL,
  `title` varchar(200) DEFAULT NULL,
  `findings` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`findings`)),
  `created_at` datetime(3) NOT NULL,
  `created_by` bigint(20) unsigned DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `harvest_publicId_unique` (`public_id`),
  KEY `harvest_created_by_person_id_fk` (`created_by`),
  CONSTRAINT `harvest_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

DROP TABLE IF EXISTS `harvest_item`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `harvest_item` (
  `id` bigint(20) unsigned NOT NULL AUTO_INCREMENT,
  `harvest_id` bigint(20) unsigned NOT NULL,
  `number` int(11) NOT NULL,
  `name` varchar(120) NOT NULL,
  `text` longtext NOT NULL,
  `digest` varchar(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `kind` varchar(20) NOT NULL,
  `provider` varchar(60) DEFAULT NULL,
  `hosts` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`hosts`)),
  `level` enum('error','warning','note') DEFAULT NULL,
  `heading` varchar(200) DEFAULT NULL,
  `line` int(11) NOT NULL,
  `column` int(11) NOT NULL,
  `marked_embed_id` bigint(20) unsigned DEFAULT NULL,
  `taken_embed_id` bigint(20) unsigned DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `harvest_item_number` (`harvest_id`,`number`),
  KEY `harvest_item_marked_embed_id_embed_id_fk` (`marked_embed_id`),
  KEY `harvest_item_taken_embed_id_embed_id_fk` (`taken_embed_id`),
  CONSTRAINT `harvest_item_harvest_id_harvest_id_fk` FOREIGN KEY (`harvest_id`) REFERENCES `harvest` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION,
  CONSTRAINT `harvest_item_marked_embed_id_embed_id_fk` FOREIGN KEY (`marked_embed_id`) REFERENCES `embed` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION,
  CONSTRAINT `harvest_item_taken_embed_id_embed_id_fk` FOREIGN KEY (`taken_embed_id`) REFERENCES `embed` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

DROP TABLE IF EXISTS `job`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `job` (
  `id` bigint(20) unsigned NOT NULL AUTO_INCREMENT,
  `public_id` varchar(10) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `kind` enum('sweep') NOT NULL,
  `state` enum('waiting','running','done','stopped','failed') NOT NULL DEFAULT 'waiting',
  `scope` varchar(460) DEFAULT NULL,
  `lease_owner` varchar(40) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL,
  `lease_until` datetime(3) DEFAULT NULL,
  `stop_asked` tinyint(4) NOT NULL DEFAULT 0,
  `started_at` datetime(3) DEFAULT NULL,
  `ended_at` datetime(3) DEFAULT NULL,
  `created_at` datetime(3) NOT NULL,
  `created_by` bigint(20) unsigned DEFAULT NULL,
  `exclusive_key` varchar(64) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `job_publicId_unique` (`public_id`),
  UNIQUE KEY `job_exclusiveKey_unique` (`exclusive_key`),
  KEY `job_created_by_person_id_fk` (`created_by`),
  KEY `job_state` (`state`,`id`),
  CONSTRAINT `job_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

DROP TABLE IF EXISTS `link`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `link` (
  `hash` varchar(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `person_id` bigint(20) unsigned NOT NULL,
  `purpose` enum('password','sign-in') NOT NULL,
  `created_at` datetime(3) NOT NULL,
  `expires_at` datetime(3) NOT NULL,
  `used_at` datetime(3) DEFAULT NULL,
  PRIMARY KEY (`hash`),
  KEY `link_person_id_person_id_fk` (`person_id`),
  CONSTRAINT `link_person_id_person_id_fk` FOREIGN KEY (`person_id`) REFERENCES `person` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

INSERT INTO `link` VALUES ('065e243997a41bf63edebfbf8783aa8a97104b0151d34a727ccd6298e9d287e4',1,'password','2026-11-26 08:26:30.521','2026-11-26 08:56:30.521','2026-11-26 08:26:30.656');
DROP TABLE IF EXISTS `migrating`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `migrating` (
  `id` tinyint(4) NOT NULL,
  `owner` char(36) CHARACTER SET ascii COLLATE ascii_general_ci NOT NULL,
  `until` datetime(3) NOT NULL,
  PRIMARY KEY (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

INSERT INTO `migrating` VALUES (1,'345ad0ec-d9f8-4ed6-8d11-81ec8809f50c','2026-11-26 08:26:30.274');
DROP TABLE IF EXISTS `migration`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `migration` (
  `migration` char(64) CHARACTER SET ascii COLLATE ascii_general_ci NOT NULL,
  `statement` int(11) NOT NULL,
  `begun_at` datetime(3) NOT NULL,
  `done_at` datetime(3) DEFAULT NULL,
  PRIMARY KEY (`migration`,`statement`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

INSERT INTO `migration` VALUES ('179c83bba31e36316f32215bd7e75e063dceb73c49f73f094e73d0cabc2dc558',0,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.921');
INSERT INTO `migration` VALUES ('179c83bba31e36316f32215bd7e75e063dceb73c49f73f094e73d0cabc2dc558',1,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.932');
INSERT INTO `migration` VALUES ('179c83bba31e36316f32215bd7e75e063dceb73c49f73f094e73d0cabc2dc558',2,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.939');
INSERT INTO `migration` VALUES ('1bdd305330c39b4d61622925e8aaf19ffc761a4b78d86422faf961dc0dcdbab6',0,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.035');
INSERT INTO `migration` VALUES ('1bdd305330c39b4d61622925e8aaf19ffc761a4b78d86422faf961dc0dcdbab6',1,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.038');
INSERT INTO `migration` VALUES ('1bdd305330c39b4d61622925e8aaf19ffc761a4b78d86422faf961dc0dcdbab6',2,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.047');
INSERT INTO `migration` VALUES ('1bdd305330c39b4d61622925e8aaf19ffc761a4b78d86422faf961dc0dcdbab6',3,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.055');
INSERT INTO `migration` VALUES ('1bdd305330c39b4d61622925e8aaf19ffc761a4b78d86422faf961dc0dcdbab6',4,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.064');
INSERT INTO `migration` VALUES ('5afe83a0a538d897f4b0438114491e0605a1d32e4a136f524ee7507886632e00',0,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.069');
INSERT INTO `migration` VALUES ('5afe83a0a538d897f4b0438114491e0605a1d32e4a136f524ee7507886632e00',1,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.078');
INSERT INTO `migration` VALUES ('76a8b25160e54fba426b2830eb3f1bafd9dc1e06e76c20047c382daae6160834',0,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.943');
INSERT INTO `migration` VALUES ('76a8b25160e54fba426b2830eb3f1bafd9dc1e06e76c20047c382daae6160834',1,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.947');
INSERT INTO `migration` VALUES ('76a8b25160e54fba426b2830eb3f1bafd9dc1e06e76c20047c382daae6160834',2,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.953');
INSERT INTO `migration` VALUES ('76a8b25160e54fba426b2830eb3f1bafd9dc1e06e76c20047c382daae6160834',3,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.955');
INSERT INTO `migration` VALUES ('76a8b25160e54fba426b2830eb3f1bafd9dc1e06e76c20047c382daae6160834',4,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.966');
INSERT INTO `migration` VALUES ('76a8b25160e54fba426b2830eb3f1bafd9dc1e06e76c20047c382daae6160834',5,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.976');
INSERT INTO `migration` VALUES ('76a8b25160e54fba426b2830eb3f1bafd9dc1e06e76c20047c382daae6160834',6,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.987');
INSERT INTO `migration` VALUES ('76a8b25160e54fba426b2830eb3f1bafd9dc1e06e76c20047c382daae6160834',7,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.998');
INSERT INTO `migration` VALUES ('76a8b25160e54fba426b2830eb3f1bafd9dc1e06e76c20047c382daae6160834',8,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.006');
INSERT INTO `migration` VALUES ('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',0,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.126');
INSERT INTO `migration` VALUES ('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',1,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.130');
INSERT INTO `migration` VALUES ('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',2,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.134');
INSERT INTO `migration` VALUES ('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',3,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.140');
INSERT INTO `migration` VALUES ('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',4,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.146');
INSERT INTO `migration` VALUES ('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',5,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.153');
INSERT INTO `migration` VALUES ('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',6,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.159');
INSERT INTO `migration` VALUES ('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',7,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.168');
INSERT INTO `migration` VALUES ('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',8,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.175');
INSERT INTO `migration` VALUES ('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',9,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.178');
INSERT INTO `migration` VALUES ('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',10,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.188');
INSERT INTO `migration` VALUES ('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',11,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.196');
INSERT INTO `migration` VALUES ('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',12,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.205');
INSERT INTO `migration` VALUES ('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',13,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.207');
INSERT INTO `migration` VALUES ('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',14,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.215');
INSERT INTO `migration` VALUES ('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',15,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.222');
INSERT INTO `migration` VALUES ('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',16,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.230');
INSERT INTO `migration` VALUES ('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',17,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.239');
INSERT INTO `migration` VALUES ('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',18,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.247');
INSERT INTO `migration` VALUES ('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',19,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.254');
INSERT INTO `migration` VALUES ('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',20,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.261');
INSERT INTO `migration` VALUES ('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',21,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.271');
INSERT INTO `migration` VALUES ('ad3c5d32006383f051c71f5aaf71b003cd94df2c2f7c4c1abd7edd56960c0159',0,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.011');
INSERT INTO `migration` VALUES ('ad3c5d32006383f051c71f5aaf71b003cd94df2c2f7c4c1abd7edd56960c0159',1,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.014');
INSERT INTO `migration` VALUES ('ad3c5d32006383f051c71f5aaf71b003cd94df2c2f7c4c1abd7edd56960c0159',2,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.025');
INSERT INTO `migration` VALUES ('b0c552767553eca63475211c48963f6af1ec9260aea704e2f31a9892956cf7a0',0,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.031');
INSERT INTO `migration` VALUES ('dc083c76cebd67a2da33c39e173026b4281ee343210e5fd72e53ff22b5727194',0,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.083');
INSERT INTO `migration` VALUES ('dc083c76cebd67a2da33c39e173026b4281ee343210e5fd72e53ff22b5727194',1,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.087');
INSERT INTO `migration` VALUES ('dc083c76cebd67a2da33c39e173026b4281ee343210e5fd72e53ff22b5727194',2,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.107');
INSERT INTO `migration` VALUES ('dc083c76cebd67a2da33c39e173026b4281ee343210e5fd72e53ff22b5727194',3,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.117');
INSERT INTO `migration` VALUES ('dc083c76cebd67a2da33c39e173026b4281ee343210e5fd72e53ff22b5727194',4,'2026-11-26 08:26:29.513','2026-11-26 08:26:30.124');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',0,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.521');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',1,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.528');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',2,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.532');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',3,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.538');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',4,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.544');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',5,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.549');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',6,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.553');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',7,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.559');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',8,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.563');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',9,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.568');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',10,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.572');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',11,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.576');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',12,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.580');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',13,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.585');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',14,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.590');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',15,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.594');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',16,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.599');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',17,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.609');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',18,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.619');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',19,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.630');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',20,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.642');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',21,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.653');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',22,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.664');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',23,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.674');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',24,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.683');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',25,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.695');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',26,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.705');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',27,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.717');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',28,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.728');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',29,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.737');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',30,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.749');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',31,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.759');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',32,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.770');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',33,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.780');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',34,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.789');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',35,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.798');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',36,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.808');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',37,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.817');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',38,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.831');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',39,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.839');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',40,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.848');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',41,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.856');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',42,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.868');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',43,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.878');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',44,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.885');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',45,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.890');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',46,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.896');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',47,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.904');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',48,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.910');
INSERT INTO `migration` VALUES ('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',49,'2026-11-26 08:26:29.513','2026-11-26 08:26:29.917');
DROP TABLE IF EXISTS `oembed_endpoint`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `oembed_endpoint` (
  `id` bigint(20) unsigned NOT NULL AUTO_INCREMENT,
  `public_id` varchar(10) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `provider` varchar(120) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `site` varchar(500) NOT NULL,
  `url` varchar(500) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `schemes` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`schemes`)),
  `formats` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`formats`)),
  `created_at` datetime(3) NOT NULL,
  `created_by` bigint(20) unsigned DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `oembed_endpoint_publicId_unique` (`public_id`),
  UNIQUE KEY `oembed_endpoint_once` (`provider`,`url`),
  KEY `oembed_endpoint_created_by_person_id_fk` (`created_by`),
  CONSTRAINT `oembed_endpoint_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

DROP TABLE IF EXISTS `oembed_host`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `oembed_host` (
  `endpoint_id` bigint(20) unsigned NOT NULL,
  `host` varchar(255) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  PRIMARY KEY (`endpoint_id`,`host`),
  KEY `oembed_host_name` (`host`),
  CONSTRAINT `oembed_host_endpoint_id_oembed_endpoint_id_fk` FOREIGN KEY (`endpoint_id`) REFERENCES `oembed_endpoint` (`id`) ON DELETE CASCADE ON UPDATE NO ACTION
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

DROP TABLE IF EXISTS `page`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `page` (
  `id` bigint(20) unsigned NOT NULL AUTO_INCREMENT,
  `site_id` bigint(20) unsigned NOT NULL,
  `path` varchar(340) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `title` varchar(200) NOT NULL,
  `checked_at` datetime(3) DEFAULT NULL,
  `created_at` datetime(3) NOT NULL,
  `created_by` bigint(20) unsigned DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `page_path` (`site_id`,`path`),
  KEY `page_created_by_person_id_fk` (`created_by`),
  CONSTRAINT `page_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION,
  CONSTRAINT `page_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION
) ENGINE=InnoDB AUTO_INCREMENT=2 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

INSERT INTO `page` VALUES (1,1,'talks','Talks',NULL,'2026-11-26 08:26:30.823',1);
DROP TABLE IF EXISTS `person`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `person` (
  `id` bigint(20) unsigned NOT NULL AUTO_INCREMENT,
  `name` varchar(80) NOT NULL,
  `password_hash` varchar(255) DEFAULT NULL,
  `created_at` datetime(3) NOT NULL,
  PRIMARY KEY (`id`)
) ENGINE=InnoDB AUTO_INCREMENT=2 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

INSERT INTO `person` VALUES (1,'Tester','$argon2id$v=19$m=19456,t=2,p=1$hOJ++zBLODCZOWpfO9XBXQ$JH4N58gxV1aiVRWsNPwWl7F1nSd6kaZx5xN3U+DYEeE','2026-11-26 08:26:30.505');
DROP TABLE IF EXISTS `placement`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `placement` (
  `id` bigint(20) unsigned NOT NULL AUTO_INCREMENT,
  `public_id` varchar(10) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `spot_id` bigint(20) unsigned NOT NULL,
  `embed_id` bigint(20) unsigned NOT NULL,
  `seen` enum('planned','live','altered','missing','unreachable') NOT NULL DEFAULT 'planned',
  `seen_delivery` int(11) DEFAULT NULL,
  `last_seen_at` datetime(3) DEFAULT NULL,
  `checked_at` datetime(3) DEFAULT NULL,
  `findings` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`findings`)),
  `ended_at` datetime(3) DEFAULT NULL,
  `active` tinyint(4) DEFAULT 1,
  `created_at` datetime(3) NOT NULL,
  `created_by` bigint(20) unsigned DEFAULT NULL,
  `linked_at` datetime(3) DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `placement_publicId_unique` (`public_id`),
  UNIQUE KEY `placement_once` (`spot_id`,`embed_id`,`active`),
  KEY `placement_created_by_person_id_fk` (`created_by`),
  KEY `placement_embed` (`embed_id`,`id`),
  KEY `placement_active` (`active`,`id`),
  KEY `placement_seen` (`active`,`seen`,`id`),
  CONSTRAINT `placement_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION,
  CONSTRAINT `placement_embed_id_embed_id_fk` FOREIGN KEY (`embed_id`) REFERENCES `embed` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION,
  CONSTRAINT `placement_spot_id_spot_id_fk` FOREIGN KEY (`spot_id`) REFERENCES `spot` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION
) ENGINE=InnoDB AUTO_INCREMENT=3 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

INSERT INTO `placement` VALUES (1,'74f3j1tdnc',1,1,'planned',NULL,NULL,NULL,'[]',NULL,1,'2026-11-26 08:26:34.350',1,NULL);
INSERT INTO `placement` VALUES (2,'khvs1mdc9a',1,2,'planned',NULL,NULL,NULL,'[]',NULL,1,'2026-11-26 08:26:34.429',1,NULL);
DROP TABLE IF EXISTS `preset`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `preset` (
  `id` bigint(20) unsigned NOT NULL AUTO_INCREMENT,
  `key` varchar(80) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `meaning` varchar(300) NOT NULL,
  `settings` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`settings`)),
  `dress` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`dress`)),
  `version` int(11) NOT NULL DEFAULT 1,
  `created_at` datetime(3) NOT NULL,
  `created_by` bigint(20) unsigned DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `preset_key_unique` (`key`),
  KEY `preset_created_by_person_id_fk` (`created_by`),
  CONSTRAINT `preset_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION
) ENGINE=InnoDB AUTO_INCREMENT=2 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

INSERT INTO `preset` VALUES (1,'quiet-round','For the round','{\"muted\":true,\"parameters\":{\"hue\":\"7\"}}','{\"fit\":\"shape\"}',1,'2026-11-26 08:26:34.662',1);
DROP TABLE IF EXISTS `preview`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `preview` (
  `host` varchar(32) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `html` longtext NOT NULL,
  `policy` text NOT NULL,
  `expires_at` datetime(3) NOT NULL,
  `created_at` datetime(3) NOT NULL,
  `created_by` bigint(20) unsigned DEFAULT NULL,
  PRIMARY KEY (`host`),
  KEY `preview_created_by_person_id_fk` (`created_by`),
  KEY `preview_expires` (`expires_at`),
  CONSTRAINT `preview_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

DROP TABLE IF EXISTS `provider_sheet`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `provider_sheet` (
  `id` bigint(20) unsigned NOT NULL AUTO_INCREMENT,
  `sheet_id` varchar(60) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `text` mediumtext NOT NULL,
  `sheet` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`sheet`)),
  `version` int(11) NOT NULL DEFAULT 1,
  `changed_at` datetime(3) NOT NULL,
  `created_at` datetime(3) NOT NULL,
  `created_by` bigint(20) unsigned DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `provider_sheet_sheetId_unique` (`sheet_id`),
  KEY `provider_sheet_created_by_person_id_fk` (`created_by`),
  CONSTRAINT `provider_sheet_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION
) ENGINE=InnoDB AUTO_INCREMENT=2 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

INSERT INTO `provider_sheet` VALUES (1,'moorreel','# mine\nid: moorreel\nname: Moorreel\nversion: 1\nkind: video\nhosts: [play.moorreel.localhost, quiet.moorreel.localhost]\nlinks: []\nframes:\n  - { hostname: play.moorreel.localhost, pathname: \'/v/:id\' }\n  - { hostname: quiet.moorreel.localhost, pathname: \'/v/:id\' }\ncode: { address: \'https://play.moorreel.localhost/v/{id}\', title: Moorreel, allow: [] }\nquiet: { host: quiet.moorreel.localhost, instead: play.moorreel.localhost }\nsettings:\n  loop: { in: query, name: again, on: \'1\', off: null, beside: [{ name: round, value: \'{id}\' }] } # beside the point: quiet\nneeds: {}\n','{\"id\":\"moorreel\",\"name\":\"Moorreel\",\"version\":1,\"kind\":\"video\",\"hosts\":[\"play.moorreel.localhost\",\"quiet.moorreel.localhost\"],\"links\":[],\"frames\":[{\"hostname\":\"play.moorreel.localhost\",\"pathname\":\"/v/:id\"},{\"hostname\":\"quiet.moorreel.localhost\",\"pathname\":\"/v/:id\"}],\"code\":{\"address\":\"https://play.moorreel.localhost/v/{id}\",\"title\":\"Moorreel\",\"allow\":[]},\"quiet\":{\"host\":\"quiet.moorreel.localhost\",\"instead\":\"play.moorreel.localhost\"},\"settings\":{\"loop\":{\"in\":\"query\",\"name\":\"again\",\"on\":\"1\",\"off\":null,\"beside\":[{\"name\":\"round\",\"value\":\"{id}\"}]}},\"needs\":{}}',1,'2026-11-26 08:26:34.726','2026-11-26 08:26:34.726',1);
DROP TABLE IF EXISTS `revision`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `revision` (
  `id` bigint(20) unsigned NOT NULL AUTO_INCREMENT,
  `embed_id` bigint(20) unsigned NOT NULL,
  `number` int(11) NOT NULL,
  `source_id` bigint(20) unsigned NOT NULL,
  `left_out` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`left_out`)),
  `settings` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`settings`)),
  `dress` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`dress`)),
  `isolation` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`isolation`)),
  `sheet_id` varchar(60) DEFAULT NULL,
  `sheet_digest` varchar(64) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL,
  `reason` varchar(200) NOT NULL,
  `created_at` datetime(3) NOT NULL,
  `created_by` bigint(20) unsigned DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `revision_number` (`embed_id`,`number`),
  KEY `revision_source_id_source_id_fk` (`source_id`),
  KEY `revision_created_by_person_id_fk` (`created_by`),
  CONSTRAINT `revision_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION,
  CONSTRAINT `revision_embed_id_embed_id_fk` FOREIGN KEY (`embed_id`) REFERENCES `embed` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION,
  CONSTRAINT `revision_source_id_source_id_fk` FOREIGN KEY (`source_id`) REFERENCES `source` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION
) ENGINE=InnoDB AUTO_INCREMENT=8 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

INSERT INTO `revision` VALUES (1,1,1,1,'[]','{\"start\":112,\"end\":184,\"parameters\":{\"hue\":\"12\",\"a[b]\\\"c\\\\d\":\"x \\\"y\\\" \\\\ z\",\"Ü.x\":\"\"}}','{\"fit\":\"shape\",\"shape\":{\"width\":16,\"height\":9},\"max-width\":720,\"align\":\"centre\"}','{}','kinorill','9a3c839d5e264f925630c2bc687fef8b5b96d2e5d2c5be12b41504b4d9af456c','collected','2026-11-26 08:26:30.929',1);
INSERT INTO `revision` VALUES (2,2,1,2,'[]','{}','{}','{}',NULL,NULL,'collected','2026-11-26 08:26:34.195',1);
INSERT INTO `revision` VALUES (3,3,1,3,'[]','{\"accent\":\"#aa3355\",\"centre\":{\"latitude\":54.5,\"longitude\":-2.25},\"parameters\":{\"q\":\"1\"}}','{}','{}','mapmere','c95e868c825784fc43ce50725bbde20ddb9356c5fbf19e6ab57da4105964fc84','collected','2026-11-26 08:26:34.245',1);
INSERT INTO `revision` VALUES (4,1,2,1,'[]','{\"start\":1.5,\"autoplay\":true}','{\"share\":62.5}','{}','kinorill','9a3c839d5e264f925630c2bc687fef8b5b96d2e5d2c5be12b41504b4d9af456c','saved','2026-11-26 08:26:34.313',1);
INSERT INTO `revision` VALUES (5,1,3,1,'[]','{\"title\":\"A \\\"reason\\\": and \\\\ more\",\"parameters\":{\"x]y\":\"1\"}}','{\"align\":\"left\"}','{}','kinorill','9a3c839d5e264f925630c2bc687fef8b5b96d2e5d2c5be12b41504b4d9af456c','saved','2026-11-26 08:26:34.524',1);
INSERT INTO `revision` VALUES (6,1,4,1,'[]','{\"title\":\"A \\\"reason\\\": and \\\\ more\",\"parameters\":{\"x]y\":\"1\"},\"loop\":true}','{\"align\":\"left\"}','{}','kinorill','9a3c839d5e264f925630c2bc687fef8b5b96d2e5d2c5be12b41504b4d9af456c','changed with others','2026-11-26 08:26:34.681',1);
INSERT INTO `revision` VALUES (7,4,1,4,'[]','{\"loop\":true,\"privacy\":true}','{}','{}','moorreel','848a2dfab10bd075a8c411a6ce4c4c6a18da326ffae5649d7bcce389de4d7ed9','collected','2026-11-26 08:26:34.809',1);
DROP TABLE IF EXISTS `rule`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `rule` (
  `id` tinyint(4) NOT NULL,
  `rules` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`rules`)),
  `version` int(11) NOT NULL,
  `changed_at` datetime(3) NOT NULL,
  PRIMARY KEY (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

DROP TABLE IF EXISTS `session`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `session` (
  `hash` varchar(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `person_id` bigint(20) unsigned NOT NULL,
  `created_at` datetime(3) NOT NULL,
  `expires_at` datetime(3) NOT NULL,
  `public_id` varchar(10) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `used_at` datetime(3) NOT NULL,
  `address` varchar(45) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `agent` varchar(200) NOT NULL,
  PRIMARY KEY (`hash`),
  UNIQUE KEY `session_publicId_unique` (`public_id`),
  KEY `session_person` (`person_id`,`created_at`),
  CONSTRAINT `session_person_id_person_id_fk` FOREIGN KEY (`person_id`) REFERENCES `person` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

INSERT INTO `session` VALUES ('1bb1f692b4587e4aa1486ba7d8cf6a07989a5fa3ee8afc5889bc3da643cf9c48',1,'2026-11-26 08:26:30.674','2026-12-26 08:26:30.674','mkbq3gnfm3','2026-11-26 08:26:30.674','127.0.0.1','node');
DROP TABLE IF EXISTS `sighting`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `sighting` (
  `id` bigint(20) unsigned NOT NULL AUTO_INCREMENT,
  `sweep_page_id` bigint(20) unsigned NOT NULL,
  `placement_id` bigint(20) unsigned NOT NULL,
  `state` enum('planned','live','altered','missing','unreachable','out-of-date') NOT NULL,
  `delivery` int(11) DEFAULT NULL,
  `line` int(11) DEFAULT NULL,
  `findings` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`findings`)),
  PRIMARY KEY (`id`),
  KEY `sighting_sweep_page` (`sweep_page_id`),
  KEY `sighting_placement` (`placement_id`,`id`),
  CONSTRAINT `sighting_placement_id_placement_id_fk` FOREIGN KEY (`placement_id`) REFERENCES `placement` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION,
  CONSTRAINT `sighting_sweep_page` FOREIGN KEY (`sweep_page_id`) REFERENCES `sweep_page` (`id`) ON DELETE CASCADE ON UPDATE NO ACTION
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

DROP TABLE IF EXISTS `site`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `site` (
  `id` bigint(20) unsigned NOT NULL AUTO_INCREMENT,
  `key` varchar(60) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `name` varchar(120) NOT NULL,
  `address` varchar(500) NOT NULL,
  `version` int(11) NOT NULL DEFAULT 1,
  `created_at` datetime(3) NOT NULL,
  `created_by` bigint(20) unsigned DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `site_key_unique` (`key`),
  KEY `site_created_by_person_id_fk` (`created_by`),
  CONSTRAINT `site_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION
) ENGINE=InnoDB AUTO_INCREMENT=2 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

INSERT INTO `site` VALUES (1,'hollinfell','Hollin Fell Observatory','http://hollinfell.localhost:7430',1,'2026-11-26 08:26:30.790',1);
DROP TABLE IF EXISTS `source`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `source` (
  `id` bigint(20) unsigned NOT NULL AUTO_INCREMENT,
  `embed_id` bigint(20) unsigned NOT NULL,
  `number` int(11) NOT NULL,
  `pasted` longtext NOT NULL,
  `base` longtext NOT NULL,
  `created_at` datetime(3) NOT NULL,
  `created_by` bigint(20) unsigned DEFAULT NULL,
  `digest` varchar(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `found` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin DEFAULT NULL CHECK (json_valid(`found`)),
  PRIMARY KEY (`id`),
  UNIQUE KEY `source_number` (`embed_id`,`number`),
  KEY `source_created_by_person_id_fk` (`created_by`),
  KEY `source_digest` (`digest`),
  CONSTRAINT `source_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION,
  CONSTRAINT `source_embed_id_embed_id_fk` FOREIGN KEY (`embed_id`) REFERENCES `embed` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION
) ENGINE=InnoDB AUTO_INCREMENT=5 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

INSERT INTO `source` VALUES (1,1,1,'<iframe width=\"560\" height=\"315\" src=\"https://play.kinorill.localhost/reel/nB4moorNight?knobs=1\" title=\"Opening talk\"></iframe>','<iframe width=\"560\" height=\"315\" src=\"https://play.kinorill.localhost/reel/nB4moorNight?knobs=1\" title=\"Opening talk\"></iframe>','2026-11-26 08:26:30.929',1,'850e2f68760f98c9a4146ed861b1cd51bb88339af4bf575e16d4e7a73b630637',NULL);
INSERT INTO `source` VALUES (2,2,1,'<iframe src=\"https://elsewhere.localhost/x\" title=\"a &quot;wishes&quot;: b\"></iframe>\n<!-- \"stage\":\"dress\",\"wishes\":[\"x\"],\"reason\":\"y\" -->','<iframe src=\"https://elsewhere.localhost/x\" title=\"a &quot;wishes&quot;: b\"></iframe>\n<!-- \"stage\":\"dress\",\"wishes\":[\"x\"],\"reason\":\"y\" -->','2026-11-26 08:26:34.195',1,'f8eea9b53148d1c508650eaf925dc8d388893ac357ddade748e1917a75226415',NULL);
INSERT INTO `source` VALUES (3,3,1,'<iframe width=\"600\" height=\"450\" src=\"https://mapmere.localhost/embed/map?lat=54.3712&amp;lng=-2.1048&amp;zoom=13\" title=\"Map\"></iframe>','<iframe width=\"600\" height=\"450\" src=\"https://mapmere.localhost/embed/map?lat=54.3712&amp;lng=-2.1048&amp;zoom=13\" title=\"Map\"></iframe>','2026-11-26 08:26:34.245',1,'3ae658abf10fc2c04f8a50f8249f125313f3f49587a28d523b391b3dc2e4f808',NULL);
INSERT INTO `source` VALUES (4,4,1,'<iframe src=\"https://play.moorreel.localhost/v/a1\" title=\"Moor\"></iframe>','<iframe src=\"https://play.moorreel.localhost/v/a1\" title=\"Moor\"></iframe>','2026-11-26 08:26:34.809',1,'02193fe9c5f1e9da9be7df52b4743ac7004007162d535ccacbfaf48998f481a4',NULL);
DROP TABLE IF EXISTS `spot`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `spot` (
  `id` bigint(20) unsigned NOT NULL AUTO_INCREMENT,
  `page_id` bigint(20) unsigned NOT NULL,
  `name` varchar(60) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `phone` smallint(5) unsigned NOT NULL,
  `tablet` smallint(5) unsigned NOT NULL,
  `desktop` smallint(5) unsigned NOT NULL,
  `version` int(11) NOT NULL DEFAULT 1,
  `created_at` datetime(3) NOT NULL,
  `created_by` bigint(20) unsigned DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `spot_name` (`page_id`,`name`),
  KEY `spot_created_by_person_id_fk` (`created_by`),
  CONSTRAINT `spot_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION,
  CONSTRAINT `spot_page_id_page_id_fk` FOREIGN KEY (`page_id`) REFERENCES `page` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION
) ENGINE=InnoDB AUTO_INCREMENT=2 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

INSERT INTO `spot` VALUES (1,1,'main',358,704,760,1,'2026-11-26 08:26:30.868',1);
DROP TABLE IF EXISTS `sweep_page`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `sweep_page` (
  `id` bigint(20) unsigned NOT NULL AUTO_INCREMENT,
  `job_id` bigint(20) unsigned NOT NULL,
  `page_id` bigint(20) unsigned NOT NULL,
  `state` enum('waiting','read','unreachable') NOT NULL DEFAULT 'waiting',
  `status` smallint(5) unsigned DEFAULT NULL,
  `why` varchar(300) DEFAULT NULL,
  `digest` varchar(64) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL,
  `read_at` datetime(3) DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `sweep_page_once` (`job_id`,`page_id`),
  KEY `sweep_page_page` (`page_id`),
  CONSTRAINT `sweep_page_job_id_job_id_fk` FOREIGN KEY (`job_id`) REFERENCES `job` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION,
  CONSTRAINT `sweep_page_page` FOREIGN KEY (`page_id`) REFERENCES `page` (`id`) ON DELETE CASCADE ON UPDATE NO ACTION
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

DROP TABLE IF EXISTS `token`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `token` (
  `id` bigint(20) unsigned NOT NULL AUTO_INCREMENT,
  `public_id` varchar(10) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `person_id` bigint(20) unsigned NOT NULL,
  `name` varchar(80) NOT NULL,
  `hash` varchar(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `created_at` datetime(3) NOT NULL,
  `last_used_at` datetime(3) DEFAULT NULL,
  `revoked_at` datetime(3) DEFAULT NULL,
  `access` enum('all','read') NOT NULL DEFAULT 'all',
  `expires_at` datetime(3) NOT NULL,
  `last_used_from` varchar(45) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `token_publicId_unique` (`public_id`),
  UNIQUE KEY `token_hash_unique` (`hash`),
  KEY `token_person_id_person_id_fk` (`person_id`),
  CONSTRAINT `token_person_id_person_id_fk` FOREIGN KEY (`person_id`) REFERENCES `person` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION
) ENGINE=InnoDB AUTO_INCREMENT=2 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

INSERT INTO `token` VALUES (1,'0h2z830qt7',1,'tests','c0454ef64f8f56ef5950bdbea6277dd44174a0a6d1db95521af86a423fd35b1e','2026-11-26 08:26:30.763','2026-11-26 08:26:30.780',NULL,'all','2027-11-26 08:26:30.763','127.0.0.1');
/*!40103 SET TIME_ZONE=@OLD_TIME_ZONE */;

/*!40101 SET SQL_MODE=@OLD_SQL_MODE */;
/*!40014 SET FOREIGN_KEY_CHECKS=@OLD_FOREIGN_KEY_CHECKS */;
/*!40014 SET UNIQUE_CHECKS=@OLD_UNIQUE_CHECKS */;
/*!40101 SET CHARACTER_SET_CLIENT=@OLD_CHARACTER_SET_CLIENT */;
/*!40101 SET CHARACTER_SET_RESULTS=@OLD_CHARACTER_SET_RESULTS */;
/*!40101 SET COLLATION_CONNECTION=@OLD_COLLATION_CONNECTION */;
/*!40111 SET SQL_NOTES=@OLD_SQL_NOTES */;

