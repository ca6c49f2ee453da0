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

LOCK TABLES `attempt` WRITE;
/*!40000 ALTER TABLE `attempt` DISABLE KEYS */;
/*!40000 ALTER TABLE `attempt` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `delivery`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `delivery` (
  `id` bigint(20) unsigned NOT NULL AUTO_INCREMENT,
  `placement_id` bigint(20) unsigned NOT NULL,
  `number` int(11) NOT NULL,
  `revision_id` bigint(20) unsigned NOT NULL,
  `text` longtext NOT NULL,
  `digest` varchar(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `created_at` datetime(3) NOT NULL,
  `created_by` bigint(20) unsigned DEFAULT NULL,
  `options` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`options`)),
  `snippets` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`snippets`)),
  PRIMARY KEY (`id`),
  UNIQUE KEY `delivery_number` (`placement_id`,`number`),
  KEY `delivery_revision_id_revision_id_fk` (`revision_id`),
  KEY `delivery_created_by_person_id_fk` (`created_by`),
  CONSTRAINT `delivery_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION,
  CONSTRAINT `delivery_placement_id_placement_id_fk` FOREIGN KEY (`placement_id`) REFERENCES `placement` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION,
  CONSTRAINT `delivery_revision_id_revision_id_fk` FOREIGN KEY (`revision_id`) REFERENCES `revision` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION
) ENGINE=InnoDB AUTO_INCREMENT=10 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `delivery` WRITE;
/*!40000 ALTER TABLE `delivery` DISABLE KEYS */;
INSERT INTO `delivery` VALUES
(1,4,1,1,'<iframe style=\"display:block;margin:0 auto\" data-orbis=\"dnhfw5zea9.1\" width=\"560\" height=\"315\" src=\"http://play.kinorill.localhost:41111/reel/nB4moorNight?knobs=1&amp;from=112\" title=\"Opening talk\" allow=\"fullscreen\" allowfullscreen></iframe>','60f2ecd977e60036528ce58ceccf97a11693bd03ff986625830da25140290943','2026-11-26 15:24:13.721',1,'{}','[{\"position\":\"spot\",\"runs\":[{\"from\":\"source\",\"start\":0,\"end\":7,\"text\":\"<iframe\"},{\"from\":\"orbis\",\"text\":\" style=\\\"display:block;margin:0 auto\\\"\",\"stage\":\"presentation\",\"options\":[\"align\"],\"reasons\":[{\"stage\":\"presentation\",\"option\":\"align\",\"code\":\"movable-block\",\"facts\":{\"property\":\"display\"}},{\"stage\":\"presentation\",\"option\":\"align\",\"code\":\"stands-at\",\"facts\":{\"where\":\"centre\",\"property\":\"margin\"}}],\"instead\":{\"start\":7,\"end\":7}},{\"from\":\"orbis\",\"text\":\" data-orbis=\\\"dnhfw5zea9.1\\\"\",\"stage\":\"mark\",\"options\":[\"mark\"],\"reasons\":[{\"stage\":\"mark\",\"option\":\"mark\",\"code\":\"mark\",\"facts\":{}}],\"instead\":{\"start\":7,\"end\":7}},{\"from\":\"source\",\"start\":7,\"end\":100,\"text\":\" width=\\\"560\\\" height=\\\"315\\\" src=\\\"http://play.kinorill.localhost:41111/reel/nB4moorNight?knobs=1\"},{\"from\":\"orbis\",\"text\":\"&amp;from=112\",\"stage\":\"settings\",\"options\":[\"start\"],\"reasons\":[{\"stage\":\"settings\",\"option\":\"start\",\"code\":\"set-parameter\",\"facts\":{\"value\":\"1:52\",\"provider\":\"Kinorill\",\"because\":null,\"in\":\"query\",\"written\":\"from=112\"}}],\"instead\":{\"start\":100,\"end\":100}},{\"from\":\"source\",\"start\":100,\"end\":167,\"text\":\"\\\" title=\\\"Opening talk\\\" allow=\\\"fullscreen\\\" allowfullscreen></iframe>\"}]}]'),
(2,1,1,1,'<iframe style=\"display:block;max-width:320px;margin:0 auto\" data-orbis=\"yfv3hz2cj2.1\" width=\"560\" height=\"315\" src=\"http://play.kinorill.localhost:41111/reel/nB4moorNight?knobs=1&amp;from=112\" title=\"Opening talk\" allow=\"fullscreen\" allowfullscreen></iframe>','4b334246021eff27db8afe869e4a713d2e972805a06c5e8971def931d94a1c79','2026-11-26 15:24:13.756',1,'{\"max-width\":320}','[{\"position\":\"spot\",\"runs\":[{\"from\":\"source\",\"start\":0,\"end\":7,\"text\":\"<iframe\"},{\"from\":\"orbis\",\"text\":\" style=\\\"display:block;max-width:320px;margin:0 auto\\\"\",\"stage\":\"presentation\",\"options\":[\"align\",\"max-width\"],\"reasons\":[{\"stage\":\"presentation\",\"option\":\"align\",\"code\":\"movable-block\",\"facts\":{\"property\":\"display\"}},{\"stage\":\"presentation\",\"option\":\"max-width\",\"code\":\"never-wider\",\"facts\":{\"most\":320,\"property\":\"max-width\"}},{\"stage\":\"presentation\",\"option\":\"align\",\"code\":\"stands-at\",\"facts\":{\"where\":\"centre\",\"property\":\"margin\"}}],\"instead\":{\"start\":7,\"end\":7}},{\"from\":\"orbis\",\"text\":\" data-orbis=\\\"yfv3hz2cj2.1\\\"\",\"stage\":\"mark\",\"options\":[\"mark\"],\"reasons\":[{\"stage\":\"mark\",\"option\":\"mark\",\"code\":\"mark\",\"facts\":{}}],\"instead\":{\"start\":7,\"end\":7}},{\"from\":\"source\",\"start\":7,\"end\":100,\"text\":\" width=\\\"560\\\" height=\\\"315\\\" src=\\\"http://play.kinorill.localhost:41111/reel/nB4moorNight?knobs=1\"},{\"from\":\"orbis\",\"text\":\"&amp;from=112\",\"stage\":\"settings\",\"options\":[\"start\"],\"reasons\":[{\"stage\":\"settings\",\"option\":\"start\",\"code\":\"set-parameter\",\"facts\":{\"value\":\"1:52\",\"provider\":\"Kinorill\",\"because\":null,\"in\":\"query\",\"written\":\"from=112\"}}],\"instead\":{\"start\":100,\"end\":100}},{\"from\":\"source\",\"start\":100,\"end\":167,\"text\":\"\\\" title=\\\"Opening talk\\\" allow=\\\"fullscreen\\\" allowfullscreen></iframe>\"}]}]'),
(3,2,1,2,'<iframe style=\"display:block;width:100%;max-width:700px;height:auto;aspect-ratio:16/9;margin:0 auto;border:0;align-self:flex-start\" data-orbis=\"kpnwa1w777.1\" width=\"560\" height=\"315\" src=\"http://play.kinorill.localhost:41111/reel/fN2north?knobs=1&amp;from=12\" title=\"Why “north” isn’t \\ north 🦉 &amp; &quot;so&quot;\" allow=\"fullscreen\" allowfullscreen></iframe>','d0e8ef0b516d4de42415a296eca0036cd3e1e50ece265bbdd6ba9903640c91ec','2026-11-26 15:24:13.804',1,'{}','[{\"position\":\"spot\",\"runs\":[{\"from\":\"source\",\"start\":0,\"end\":7,\"text\":\"<iframe\"},{\"from\":\"orbis\",\"text\":\" style=\\\"display:block;width:100%;max-width:700px;height:auto;aspect-ratio:16/9;margin:0 auto;border:0;align-self:flex-start\\\"\",\"stage\":\"presentation\",\"options\":[\"fit\",\"max-width\",\"align\"],\"reasons\":[{\"stage\":\"presentation\",\"option\":\"fit\",\"code\":\"no-gap-below\",\"facts\":{\"property\":\"display\"}},{\"stage\":\"presentation\",\"option\":\"fit\",\"code\":\"fills-its-place\",\"facts\":{\"property\":\"width\"}},{\"stage\":\"presentation\",\"option\":\"max-width\",\"code\":\"never-wider\",\"facts\":{\"most\":700,\"property\":\"max-width\"}},{\"stage\":\"presentation\",\"option\":\"fit\",\"code\":\"height-follows\",\"facts\":{\"property\":\"height\"}},{\"stage\":\"presentation\",\"option\":\"fit\",\"code\":\"holds-shape\",\"facts\":{\"shape\":\"16:9\",\"property\":\"aspect-ratio\"}},{\"stage\":\"presentation\",\"option\":\"align\",\"code\":\"stands-at\",\"facts\":{\"where\":\"centre\",\"property\":\"margin\"}},{\"stage\":\"presentation\",\"option\":\"fit\",\"code\":\"no-frame-line\",\"facts\":{\"property\":\"border\"}},{\"stage\":\"presentation\",\"option\":\"fit\",\"code\":\"not-stretched\",\"facts\":{\"property\":\"align-self\"}}],\"instead\":{\"start\":7,\"end\":7}},{\"from\":\"orbis\",\"text\":\" data-orbis=\\\"kpnwa1w777.1\\\"\",\"stage\":\"mark\",\"options\":[\"mark\"],\"reasons\":[{\"stage\":\"mark\",\"option\":\"mark\",\"code\":\"mark\",\"facts\":{}}],\"instead\":{\"start\":7,\"end\":7}},{\"from\":\"source\",\"start\":7,\"end\":96,\"text\":\" width=\\\"560\\\" height=\\\"315\\\" src=\\\"http://play.kinorill.localhost:41111/reel/fN2north?knobs=1\"},{\"from\":\"orbis\",\"text\":\"&amp;from=12\",\"stage\":\"settings\",\"options\":[\"start\"],\"reasons\":[{\"stage\":\"settings\",\"option\":\"start\",\"code\":\"set-parameter\",\"facts\":{\"value\":\"0:12\",\"provider\":\"Kinorill\",\"because\":null,\"in\":\"query\",\"written\":\"from=12\"}}],\"instead\":{\"start\":96,\"end\":96}},{\"from\":\"source\",\"start\":96,\"end\":200,\"text\":\"\\\" title=\\\"Why “north” isn’t \\\\ north 🦉 &amp; &quot;so&quot;\\\" allow=\\\"fullscreen\\\" allowfullscreen></iframe>\"}]}]'),
(4,3,1,3,'<iframe style=\"display:block;margin:0 auto\" data-orbis=\"zscsvcj1bw.1\" width=\"560\" height=\"315\" src=\"http://play.kinorill.localhost:41111/reel/cM7comet?knobs=1&amp;hue=12\" title=\"Opening talk\" allow=\"fullscreen\" allowfullscreen></iframe>','c7ef3beed086d6203cb58dbbba3361828a6a833c27ce42d82384c207efc79ef1','2026-11-26 15:24:13.854',1,'{}','[{\"position\":\"spot\",\"runs\":[{\"from\":\"source\",\"start\":0,\"end\":7,\"text\":\"<iframe\"},{\"from\":\"orbis\",\"text\":\" style=\\\"display:block;margin:0 auto\\\"\",\"stage\":\"presentation\",\"options\":[\"align\"],\"reasons\":[{\"stage\":\"presentation\",\"option\":\"align\",\"code\":\"movable-block\",\"facts\":{\"property\":\"display\"}},{\"stage\":\"presentation\",\"option\":\"align\",\"code\":\"stands-at\",\"facts\":{\"where\":\"centre\",\"property\":\"margin\"}}],\"instead\":{\"start\":7,\"end\":7}},{\"from\":\"orbis\",\"text\":\" data-orbis=\\\"zscsvcj1bw.1\\\"\",\"stage\":\"mark\",\"options\":[\"mark\"],\"reasons\":[{\"stage\":\"mark\",\"option\":\"mark\",\"code\":\"mark\",\"facts\":{}}],\"instead\":{\"start\":7,\"end\":7}},{\"from\":\"source\",\"start\":7,\"end\":96,\"text\":\" width=\\\"560\\\" height=\\\"315\\\" src=\\\"http://play.kinorill.localhost:41111/reel/cM7comet?knobs=1\"},{\"from\":\"orbis\",\"text\":\"&amp;hue=12\",\"stage\":\"settings\",\"options\":[\"parameter.hue\"],\"reasons\":[{\"stage\":\"settings\",\"option\":\"parameter.hue\",\"code\":\"set-by-hand\",\"facts\":{\"written\":\"hue=12\"}}],\"instead\":{\"start\":96,\"end\":96}},{\"from\":\"source\",\"start\":96,\"end\":163,\"text\":\"\\\" title=\\\"Opening talk\\\" allow=\\\"fullscreen\\\" allowfullscreen></iframe>\"}]}]'),
(5,5,1,4,'<div data-orbis=\"wav3dz3eth.1\" class=\"slotsedge-calendar\" data-calendar=\"a\"></div>\n','2e01621dd41c93989e820253471916937ba630e34a1b4e63263a009dc8f54870','2026-11-26 15:24:13.877',1,'{}','[{\"position\":\"page-head\",\"runs\":[{\"from\":\"source\",\"start\":57,\"end\":129,\"text\":\"<script async src=\\\"https://cdn.slotsedge.localhost/booking.js\\\"></script>\",\"of\":\"wav3dz3eth\"}]},{\"position\":\"spot\",\"runs\":[{\"from\":\"source\",\"start\":0,\"end\":4,\"text\":\"<div\",\"of\":\"wav3dz3eth\"},{\"from\":\"orbis\",\"text\":\" data-orbis=\\\"wav3dz3eth.1\\\"\",\"stage\":\"mark\",\"options\":[\"mark\"],\"reasons\":[{\"stage\":\"mark\",\"option\":\"mark\",\"code\":\"mark\",\"facts\":{}}],\"instead\":{\"start\":4,\"end\":4}},{\"from\":\"source\",\"start\":4,\"end\":57,\"text\":\" class=\\\"slotsedge-calendar\\\" data-calendar=\\\"a\\\"></div>\\n\",\"of\":\"wav3dz3eth\"},{\"from\":\"orbis\",\"text\":\"\",\"stage\":\"leave-out\",\"options\":[\"plan\"],\"reasons\":[{\"stage\":\"leave-out\",\"option\":\"plan\",\"code\":\"moved-to-head\",\"facts\":{}}],\"instead\":{\"start\":57,\"end\":129}}]}]'),
(6,6,1,5,'<div data-orbis=\"3fh817e4dn.1\" class=\"slotsedge-calendar\" data-calendar=\"b\"></div>\n','01632351b59aad8d4932345a14c6451a1298e2319bac65b6cc398743e3f30ef2','2026-11-26 15:24:13.932',1,'{}','[{\"position\":\"page-head\",\"runs\":[{\"from\":\"source\",\"start\":57,\"end\":129,\"text\":\"<script async src=\\\"https://cdn.slotsedge.localhost/booking.js\\\"></script>\",\"of\":\"wav3dz3eth\"}]},{\"position\":\"spot\",\"runs\":[{\"from\":\"source\",\"start\":0,\"end\":4,\"text\":\"<div\",\"of\":\"3fh817e4dn\"},{\"from\":\"orbis\",\"text\":\" data-orbis=\\\"3fh817e4dn.1\\\"\",\"stage\":\"mark\",\"options\":[\"mark\"],\"reasons\":[{\"stage\":\"mark\",\"option\":\"mark\",\"code\":\"mark\",\"facts\":{}}],\"instead\":{\"start\":4,\"end\":4}},{\"from\":\"source\",\"start\":4,\"end\":57,\"text\":\" class=\\\"slotsedge-calendar\\\" data-calendar=\\\"b\\\"></div>\\n\",\"of\":\"3fh817e4dn\"},{\"from\":\"orbis\",\"text\":\"\",\"stage\":\"leave-out\",\"options\":[\"plan\"],\"reasons\":[{\"stage\":\"leave-out\",\"option\":\"plan\",\"code\":\"moved-to-head\",\"facts\":{}}],\"instead\":{\"start\":57,\"end\":129}}]}]'),
(7,7,1,6,'<div data-orbis=\"cv1kzzntbq.1\"><script src=\"https://count.tallywren.localhost/w.js?site=hollinfell\"></script></div>','ad80f314915beaa6820d12d5a13f266ec76c55af30e7c25e65cff331944f5b7b','2026-11-26 15:24:13.968',1,'{}','[{\"position\":\"spot\",\"runs\":[{\"from\":\"orbis\",\"text\":\"<div data-orbis=\\\"cv1kzzntbq.1\\\">\",\"stage\":\"mark\",\"options\":[\"mark\"],\"reasons\":[{\"stage\":\"mark\",\"option\":\"mark\",\"code\":\"carry-mark\",\"facts\":{}}],\"instead\":{\"start\":0,\"end\":0}},{\"from\":\"source\",\"start\":0,\"end\":78,\"text\":\"<script src=\\\"https://count.tallywren.localhost/w.js?site=hollinfell\\\"></script>\"},{\"from\":\"orbis\",\"text\":\"</div>\",\"stage\":\"mark\",\"options\":[\"mark\"],\"reasons\":[{\"stage\":\"mark\",\"option\":\"mark\",\"code\":\"carry-mark\",\"facts\":{}}],\"instead\":{\"start\":78,\"end\":78}}]}]'),
(8,2,2,7,'<iframe style=\"display:block;width:100%;max-width:700px;height:auto;aspect-ratio:16/9;margin:0 auto;border:0;align-self:flex-start\" data-orbis=\"kpnwa1w777.2\" width=\"560\" height=\"315\" src=\"http://play.kinorill.localhost:41111/reel/fN2north?knobs=1&amp;from=15\" title=\"Why “north” isn’t \\ north 🦉 &amp; &quot;so&quot;\" allow=\"fullscreen\" allowfullscreen></iframe>','82fe4d16441b040cd0b4c8172b2dfd94e2fd0fd06ea3b3b1d6ce17a07fe780c9','2026-11-26 15:24:14.314',1,'{}','[{\"position\":\"spot\",\"runs\":[{\"from\":\"source\",\"start\":0,\"end\":7,\"text\":\"<iframe\"},{\"from\":\"orbis\",\"text\":\" style=\\\"display:block;width:100%;max-width:700px;height:auto;aspect-ratio:16/9;margin:0 auto;border:0;align-self:flex-start\\\"\",\"stage\":\"presentation\",\"options\":[\"fit\",\"max-width\",\"align\"],\"reasons\":[{\"stage\":\"presentation\",\"option\":\"fit\",\"code\":\"no-gap-below\",\"facts\":{\"property\":\"display\"}},{\"stage\":\"presentation\",\"option\":\"fit\",\"code\":\"fills-its-place\",\"facts\":{\"property\":\"width\"}},{\"stage\":\"presentation\",\"option\":\"max-width\",\"code\":\"never-wider\",\"facts\":{\"most\":700,\"property\":\"max-width\"}},{\"stage\":\"presentation\",\"option\":\"fit\",\"code\":\"height-follows\",\"facts\":{\"property\":\"height\"}},{\"stage\":\"presentation\",\"option\":\"fit\",\"code\":\"holds-shape\",\"facts\":{\"shape\":\"16:9\",\"property\":\"aspect-ratio\"}},{\"stage\":\"presentation\",\"option\":\"align\",\"code\":\"stands-at\",\"facts\":{\"where\":\"centre\",\"property\":\"margin\"}},{\"stage\":\"presentation\",\"option\":\"fit\",\"code\":\"no-frame-line\",\"facts\":{\"property\":\"border\"}},{\"stage\":\"presentation\",\"option\":\"fit\",\"code\":\"not-stretched\",\"facts\":{\"property\":\"align-self\"}}],\"instead\":{\"start\":7,\"end\":7}},{\"from\":\"orbis\",\"text\":\" data-orbis=\\\"kpnwa1w777.2\\\"\",\"stage\":\"mark\",\"options\":[\"mark\"],\"reasons\":[{\"stage\":\"mark\",\"option\":\"mark\",\"code\":\"mark\",\"facts\":{}}],\"instead\":{\"start\":7,\"end\":7}},{\"from\":\"source\",\"start\":7,\"end\":96,\"text\":\" width=\\\"560\\\" height=\\\"315\\\" src=\\\"http://play.kinorill.localhost:41111/reel/fN2north?knobs=1\"},{\"from\":\"orbis\",\"text\":\"&amp;from=15\",\"stage\":\"settings\",\"options\":[\"start\"],\"reasons\":[{\"stage\":\"settings\",\"option\":\"start\",\"code\":\"set-parameter\",\"facts\":{\"value\":\"0:15\",\"provider\":\"Kinorill\",\"because\":null,\"in\":\"query\",\"written\":\"from=15\"}}],\"instead\":{\"start\":96,\"end\":96}},{\"from\":\"source\",\"start\":96,\"end\":200,\"text\":\"\\\" title=\\\"Why “north” isn’t \\\\ north 🦉 &amp; &quot;so&quot;\\\" allow=\\\"fullscreen\\\" allowfullscreen></iframe>\"}]}]'),
(9,1,2,8,'<iframe style=\"display:block;max-width:320px;margin:0 auto\" data-orbis=\"yfv3hz2cj2.2\" width=\"560\" height=\"315\" src=\"http://play.kinorill.localhost:41111/reel/nB4moorNight?knobs=1&amp;from=112&amp;until=184\" title=\"Opening talk\" allow=\"fullscreen\" allowfullscreen></iframe>','91b98f084810397cbee10d11325af6121423946a0c2d0ce770600cd631e8590d','2026-11-26 15:24:14.639',1,'{\"max-width\":320}','[{\"position\":\"spot\",\"runs\":[{\"from\":\"source\",\"start\":0,\"end\":7,\"text\":\"<iframe\"},{\"from\":\"orbis\",\"text\":\" style=\\\"display:block;max-width:320px;margin:0 auto\\\"\",\"stage\":\"presentation\",\"options\":[\"align\",\"max-width\"],\"reasons\":[{\"stage\":\"presentation\",\"option\":\"align\",\"code\":\"movable-block\",\"facts\":{\"property\":\"display\"}},{\"stage\":\"presentation\",\"option\":\"max-width\",\"code\":\"never-wider\",\"facts\":{\"most\":320,\"property\":\"max-width\"}},{\"stage\":\"presentation\",\"option\":\"align\",\"code\":\"stands-at\",\"facts\":{\"where\":\"centre\",\"property\":\"margin\"}}],\"instead\":{\"start\":7,\"end\":7}},{\"from\":\"orbis\",\"text\":\" data-orbis=\\\"yfv3hz2cj2.2\\\"\",\"stage\":\"mark\",\"options\":[\"mark\"],\"reasons\":[{\"stage\":\"mark\",\"option\":\"mark\",\"code\":\"mark\",\"facts\":{}}],\"instead\":{\"start\":7,\"end\":7}},{\"from\":\"source\",\"start\":7,\"end\":100,\"text\":\" width=\\\"560\\\" height=\\\"315\\\" src=\\\"http://play.kinorill.localhost:41111/reel/nB4moorNight?knobs=1\"},{\"from\":\"orbis\",\"text\":\"&amp;from=112&amp;until=184\",\"stage\":\"settings\",\"options\":[\"start\",\"end\"],\"reasons\":[{\"stage\":\"settings\",\"option\":\"start\",\"code\":\"set-parameter\",\"facts\":{\"value\":\"1:52\",\"provider\":\"Kinorill\",\"because\":null,\"in\":\"query\",\"written\":\"from=112\"}},{\"stage\":\"settings\",\"option\":\"end\",\"code\":\"set-parameter\",\"facts\":{\"value\":\"3:04\",\"provider\":\"Kinorill\",\"because\":null,\"in\":\"query\",\"written\":\"until=184\"}}],\"instead\":{\"start\":100,\"end\":100}},{\"from\":\"source\",\"start\":100,\"end\":167,\"text\":\"\\\" title=\\\"Opening talk\\\" allow=\\\"fullscreen\\\" allowfullscreen></iframe>\"}]}]');
/*!40000 ALTER TABLE `delivery` ENABLE KEYS */;
UNLOCK TABLES;
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

LOCK TABLES `device` WRITE;
/*!40000 ALTER TABLE `device` DISABLE KEYS */;
INSERT INTO `device` VALUES
('a15f9e3ab323d9bd007e7b93f3784c1183cab2de31ec4e77651ada0aeef040db',1,'2026-11-26 15:24:10.644');
/*!40000 ALTER TABLE `device` ENABLE KEYS */;
UNLOCK TABLES;
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
) ENGINE=InnoDB AUTO_INCREMENT=7 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `embed` WRITE;
/*!40000 ALTER TABLE `embed` DISABLE KEYS */;
INSERT INTO `embed` VALUES
(1,'opening-talk','Opening talk','','video','kinorill',NULL,1,2,NULL,2,'2026-11-26 15:24:14.617','2026-11-26 15:24:11.109',1),
(2,'north','North','','video','kinorill',NULL,1,2,NULL,2,'2026-11-26 15:24:14.289','2026-11-26 15:24:13.272',1),
(3,'comet','Comet','','video','kinorill',NULL,1,1,NULL,1,'2026-11-26 15:24:13.320','2026-11-26 15:24:13.320',1),
(4,'nights-a','Nights a','','booking','slotsedge',NULL,1,1,NULL,1,'2026-11-26 15:24:13.374','2026-11-26 15:24:13.374',1),
(5,'nights-b','Nights b','','booking','slotsedge',NULL,1,1,NULL,1,'2026-11-26 15:24:13.424','2026-11-26 15:24:13.424',1),
(6,'counter','Counter','','counter','tallywren','warning',1,1,NULL,1,'2026-11-26 15:24:13.470','2026-11-26 15:24:13.470',1);
/*!40000 ALTER TABLE `embed` ENABLE KEYS */;
UNLOCK TABLES;
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

LOCK TABLES `embed_host` WRITE;
/*!40000 ALTER TABLE `embed_host` DISABLE KEYS */;
INSERT INTO `embed_host` VALUES
(1,'play.kinorill.localhost'),
(2,'play.kinorill.localhost'),
(3,'play.kinorill.localhost'),
(4,'cdn.slotsedge.localhost'),
(5,'cdn.slotsedge.localhost'),
(6,'count.tallywren.localhost');
/*!40000 ALTER TABLE `embed_host` ENABLE KEYS */;
UNLOCK TABLES;
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

LOCK TABLES `embed_tag` WRITE;
/*!40000 ALTER TABLE `embed_tag` DISABLE KEYS */;
/*!40000 ALTER TABLE `embed_tag` ENABLE KEYS */;
UNLOCK TABLES;
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
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `group_change` WRITE;
/*!40000 ALTER TABLE `group_change` DISABLE KEYS */;
/*!40000 ALTER TABLE `group_change` ENABLE KEYS */;
UNLOCK TABLES;
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

LOCK TABLES `group_change_item` WRITE;
/*!40000 ALTER TABLE `group_change_item` DISABLE KEYS */;
/*!40000 ALTER TABLE `group_change_item` ENABLE KEYS */;
UNLOCK TABLES;
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

LOCK TABLES `harvest` WRITE;
/*!40000 ALTER TABLE `harvest` DISABLE KEYS */;
/*!40000 ALTER TABLE `harvest` ENABLE KEYS */;
UNLOCK TABLES;
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

LOCK TABLES `harvest_item` WRITE;
/*!40000 ALTER TABLE `harvest_item` DISABLE KEYS */;
/*!40000 ALTER TABLE `harvest_item` ENABLE KEYS */;
UNLOCK TABLES;
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
) ENGINE=InnoDB AUTO_INCREMENT=3 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `job` WRITE;
/*!40000 ALTER TABLE `job` DISABLE KEYS */;
INSERT INTO `job` VALUES
(1,'yxpmxgqkqz','sweep','done',NULL,'9607effc-458c-4c3f-82c9-d9d20a0e9476',NULL,0,'2026-11-26 15:24:14.126','2026-11-26 15:24:14.243','2026-11-26 15:24:14.118',1,NULL),
(2,'dd3akx65f1','sweep','done',NULL,'9607effc-458c-4c3f-82c9-d9d20a0e9476',NULL,0,'2026-11-26 15:24:14.379','2026-11-26 15:24:14.494','2026-11-26 15:24:14.373',1,NULL);
/*!40000 ALTER TABLE `job` ENABLE KEYS */;
UNLOCK TABLES;
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

LOCK TABLES `link` WRITE;
/*!40000 ALTER TABLE `link` DISABLE KEYS */;
INSERT INTO `link` VALUES
('12cf1a3751d6bcc90886be1b9f077349f96be7bfbe20ce580db2f9c8f21b36cf',1,'password','2026-11-26 15:24:10.520','2026-11-26 15:54:10.520','2026-11-26 15:24:10.628');
/*!40000 ALTER TABLE `link` ENABLE KEYS */;
UNLOCK TABLES;
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

LOCK TABLES `migrating` WRITE;
/*!40000 ALTER TABLE `migrating` DISABLE KEYS */;
INSERT INTO `migrating` VALUES
(1,'8f8dc2e8-3970-46f4-ad7c-1100660ad846','2026-11-26 15:24:10.276');
/*!40000 ALTER TABLE `migrating` ENABLE KEYS */;
UNLOCK TABLES;
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

LOCK TABLES `migration` WRITE;
/*!40000 ALTER TABLE `migration` DISABLE KEYS */;
INSERT INTO `migration` VALUES
('179c83bba31e36316f32215bd7e75e063dceb73c49f73f094e73d0cabc2dc558',0,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.873'),
('179c83bba31e36316f32215bd7e75e063dceb73c49f73f094e73d0cabc2dc558',1,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.879'),
('179c83bba31e36316f32215bd7e75e063dceb73c49f73f094e73d0cabc2dc558',2,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.884'),
('1bdd305330c39b4d61622925e8aaf19ffc761a4b78d86422faf961dc0dcdbab6',0,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.944'),
('1bdd305330c39b4d61622925e8aaf19ffc761a4b78d86422faf961dc0dcdbab6',1,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.946'),
('1bdd305330c39b4d61622925e8aaf19ffc761a4b78d86422faf961dc0dcdbab6',2,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.953'),
('1bdd305330c39b4d61622925e8aaf19ffc761a4b78d86422faf961dc0dcdbab6',3,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.959'),
('1bdd305330c39b4d61622925e8aaf19ffc761a4b78d86422faf961dc0dcdbab6',4,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.966'),
('5afe83a0a538d897f4b0438114491e0605a1d32e4a136f524ee7507886632e00',0,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.969'),
('5afe83a0a538d897f4b0438114491e0605a1d32e4a136f524ee7507886632e00',1,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.977'),
('76a8b25160e54fba426b2830eb3f1bafd9dc1e06e76c20047c382daae6160834',0,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.887'),
('76a8b25160e54fba426b2830eb3f1bafd9dc1e06e76c20047c382daae6160834',1,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.889'),
('76a8b25160e54fba426b2830eb3f1bafd9dc1e06e76c20047c382daae6160834',2,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.893'),
('76a8b25160e54fba426b2830eb3f1bafd9dc1e06e76c20047c382daae6160834',3,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.894'),
('76a8b25160e54fba426b2830eb3f1bafd9dc1e06e76c20047c382daae6160834',4,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.902'),
('76a8b25160e54fba426b2830eb3f1bafd9dc1e06e76c20047c382daae6160834',5,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.908'),
('76a8b25160e54fba426b2830eb3f1bafd9dc1e06e76c20047c382daae6160834',6,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.914'),
('76a8b25160e54fba426b2830eb3f1bafd9dc1e06e76c20047c382daae6160834',7,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.921'),
('76a8b25160e54fba426b2830eb3f1bafd9dc1e06e76c20047c382daae6160834',8,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.926'),
('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',0,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.005'),
('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',1,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.009'),
('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',2,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.011'),
('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',3,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.016'),
('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',4,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.021'),
('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',5,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.026'),
('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',6,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.031'),
('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',7,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.036'),
('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',8,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.041'),
('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',9,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.042'),
('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',10,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.051'),
('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',11,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.057'),
('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',12,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.063'),
('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',13,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.065'),
('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',14,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.072'),
('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',15,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.081'),
('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',16,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.088'),
('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',17,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.103'),
('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',18,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.110'),
('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',19,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.116'),
('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',20,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.123'),
('87fc05a8075a2110101b153dfa703d2782da648f1fe1a609109995b9dc51a643',21,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.131'),
('ad3c5d32006383f051c71f5aaf71b003cd94df2c2f7c4c1abd7edd56960c0159',0,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.929'),
('ad3c5d32006383f051c71f5aaf71b003cd94df2c2f7c4c1abd7edd56960c0159',1,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.931'),
('ad3c5d32006383f051c71f5aaf71b003cd94df2c2f7c4c1abd7edd56960c0159',2,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.937'),
('b0c552767553eca63475211c48963f6af1ec9260aea704e2f31a9892956cf7a0',0,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.941'),
('dc083c76cebd67a2da33c39e173026b4281ee343210e5fd72e53ff22b5727194',0,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.980'),
('dc083c76cebd67a2da33c39e173026b4281ee343210e5fd72e53ff22b5727194',1,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.983'),
('dc083c76cebd67a2da33c39e173026b4281ee343210e5fd72e53ff22b5727194',2,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.992'),
('dc083c76cebd67a2da33c39e173026b4281ee343210e5fd72e53ff22b5727194',3,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.999'),
('dc083c76cebd67a2da33c39e173026b4281ee343210e5fd72e53ff22b5727194',4,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.004'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',0,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.541'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',1,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.546'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',2,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.549'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',3,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.554'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',4,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.558'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',5,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.563'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',6,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.566'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',7,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.571'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',8,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.575'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',9,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.579'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',10,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.582'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',11,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.586'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',12,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.590'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',13,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.594'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',14,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.598'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',15,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.602'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',16,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.606'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',17,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.617'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',18,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.627'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',19,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.638'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',20,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.649'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',21,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.656'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',22,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.664'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',23,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.671'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',24,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.677'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',25,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.684'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',26,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.691'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',27,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.699'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',28,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.707'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',29,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.714'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',30,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.723'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',31,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.732'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',32,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.741'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',33,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.749'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',34,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.757'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',35,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.766'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',36,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.775'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',37,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.783'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',38,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.792'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',39,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.801'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',40,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.810'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',41,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.818'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',42,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.827'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',43,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.836'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',44,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.842'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',45,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.848'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',46,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.855'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',47,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.861'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',48,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.866'),
('dee738f6bc04547a101410196705fc992e561118a9e091b2bde1b93d7e420da8',49,'2026-11-26 15:24:09.533','2026-11-26 15:24:09.871'),
('f5c3feeac968f8b4debd8f189f18b1a26c37fdeb0765cdba8a039b802600609b',0,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.138'),
('f5c3feeac968f8b4debd8f189f18b1a26c37fdeb0765cdba8a039b802600609b',1,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.140'),
('f5c3feeac968f8b4debd8f189f18b1a26c37fdeb0765cdba8a039b802600609b',2,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.145'),
('f5c3feeac968f8b4debd8f189f18b1a26c37fdeb0765cdba8a039b802600609b',3,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.153'),
('f5c3feeac968f8b4debd8f189f18b1a26c37fdeb0765cdba8a039b802600609b',4,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.155'),
('f5c3feeac968f8b4debd8f189f18b1a26c37fdeb0765cdba8a039b802600609b',5,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.159'),
('f5c3feeac968f8b4debd8f189f18b1a26c37fdeb0765cdba8a039b802600609b',6,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.165'),
('f5c3feeac968f8b4debd8f189f18b1a26c37fdeb0765cdba8a039b802600609b',7,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.171'),
('f5c3feeac968f8b4debd8f189f18b1a26c37fdeb0765cdba8a039b802600609b',8,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.177'),
('f5c3feeac968f8b4debd8f189f18b1a26c37fdeb0765cdba8a039b802600609b',9,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.184'),
('f5c3feeac968f8b4debd8f189f18b1a26c37fdeb0765cdba8a039b802600609b',10,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.190'),
('f5c3feeac968f8b4debd8f189f18b1a26c37fdeb0765cdba8a039b802600609b',11,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.198'),
('f5c3feeac968f8b4debd8f189f18b1a26c37fdeb0765cdba8a039b802600609b',12,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.205'),
('f5c3feeac968f8b4debd8f189f18b1a26c37fdeb0765cdba8a039b802600609b',13,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.211'),
('f5c3feeac968f8b4debd8f189f18b1a26c37fdeb0765cdba8a039b802600609b',14,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.218'),
('f5c3feeac968f8b4debd8f189f18b1a26c37fdeb0765cdba8a039b802600609b',15,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.220'),
('f5c3feeac968f8b4debd8f189f18b1a26c37fdeb0765cdba8a039b802600609b',16,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.226'),
('f5c3feeac968f8b4debd8f189f18b1a26c37fdeb0765cdba8a039b802600609b',17,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.228'),
('f5c3feeac968f8b4debd8f189f18b1a26c37fdeb0765cdba8a039b802600609b',18,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.230'),
('f5c3feeac968f8b4debd8f189f18b1a26c37fdeb0765cdba8a039b802600609b',19,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.238'),
('f5c3feeac968f8b4debd8f189f18b1a26c37fdeb0765cdba8a039b802600609b',20,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.248'),
('f5c3feeac968f8b4debd8f189f18b1a26c37fdeb0765cdba8a039b802600609b',21,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.255'),
('f5c3feeac968f8b4debd8f189f18b1a26c37fdeb0765cdba8a039b802600609b',22,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.262'),
('f5c3feeac968f8b4debd8f189f18b1a26c37fdeb0765cdba8a039b802600609b',23,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.268'),
('f5c3feeac968f8b4debd8f189f18b1a26c37fdeb0765cdba8a039b802600609b',24,'2026-11-26 15:24:09.533','2026-11-26 15:24:10.273');
/*!40000 ALTER TABLE `migration` ENABLE KEYS */;
UNLOCK TABLES;
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

LOCK TABLES `oembed_endpoint` WRITE;
/*!40000 ALTER TABLE `oembed_endpoint` DISABLE KEYS */;
/*!40000 ALTER TABLE `oembed_endpoint` ENABLE KEYS */;
UNLOCK TABLES;
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

LOCK TABLES `oembed_host` WRITE;
/*!40000 ALTER TABLE `oembed_host` DISABLE KEYS */;
/*!40000 ALTER TABLE `oembed_host` ENABLE KEYS */;
UNLOCK TABLES;
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
) ENGINE=InnoDB AUTO_INCREMENT=3 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `page` WRITE;
/*!40000 ALTER TABLE `page` DISABLE KEYS */;
INSERT INTO `page` VALUES
(1,1,'talks','talks','2026-11-26 15:24:14.425','2026-11-26 15:24:10.868',1),
(2,1,'visit','visit',NULL,'2026-11-26 15:24:11.020',1);
/*!40000 ALTER TABLE `page` ENABLE KEYS */;
UNLOCK TABLES;
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

LOCK TABLES `person` WRITE;
/*!40000 ALTER TABLE `person` DISABLE KEYS */;
INSERT INTO `person` VALUES
(1,'Tester','$argon2id$v=19$m=19456,t=2,p=1$JP13SyjHGlW+mIBaTdqVAA$y2awbvWvC92k6wyOPpWhKTKf+u5dpuR9YyQWY8eX154','2026-11-26 15:24:10.492');
/*!40000 ALTER TABLE `person` ENABLE KEYS */;
UNLOCK TABLES;
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
  `options` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`options`)),
  `version` int(11) NOT NULL DEFAULT 1,
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
) ENGINE=InnoDB AUTO_INCREMENT=8 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `placement` WRITE;
/*!40000 ALTER TABLE `placement` DISABLE KEYS */;
INSERT INTO `placement` VALUES
(1,'yfv3hz2cj2',1,1,'altered',1,'2026-11-26 15:24:14.425','2026-11-26 15:24:14.425','[{\"rule\":\"altered\",\"level\":\"warning\",\"facts\":{\"line\":17,\"found\":\"<iframe style=\\\"display:block;max-width:320px;margin:0 auto\\\" data-orbis=\\\"yfv3hz2cj2.1\\\" width=\\\"560\\\" height=\\\"315\\\" src=\\\"http://play.kinorill.localhost:41111/reel/nB4moorNight?knobs=1&amp;from=113\\\" title=\\\"Opening talk\\\" allow=\\\"fullscreen\\\" allowfullscreen></iframe>\",\"issued\":\"<iframe style=\\\"display:block;max-width:320px;margin:0 auto\\\" data-orbis=\\\"yfv3hz2cj2.1\\\" width=\\\"560\\\" height=\\\"315\\\" src=\\\"http://play.kinorill.localhost:41111/reel/nB4moorNight?knobs=1&amp;from=112\\\" title=\\\"Opening talk\\\" allow=\\\"fullscreen\\\" allowfullscreen></iframe>\"}}]',NULL,1,'2026-11-26 15:24:13.507',1,'2026-11-26 15:24:14.565','{\"max-width\":320}',1),
(2,'kpnwa1w777',2,2,'live',1,'2026-11-26 15:24:14.425','2026-11-26 15:24:14.425','[]',NULL,1,'2026-11-26 15:24:13.548',1,NULL,'{}',1),
(3,'zscsvcj1bw',3,3,'live',1,'2026-11-26 15:24:14.425','2026-11-26 15:24:14.425','[]',NULL,1,'2026-11-26 15:24:13.582',1,NULL,'{}',1),
(4,'dnhfw5zea9',4,1,'planned',NULL,NULL,'2026-11-26 15:24:14.425','[]','2026-11-26 15:24:14.580',NULL,'2026-11-26 15:24:13.613',1,NULL,'{}',1),
(5,'wav3dz3eth',5,4,'unreachable',NULL,NULL,NULL,'[{\"rule\":\"page-unreachable\",\"level\":\"error\",\"facts\":{\"why\":\"hollinfell.localhost:41111 answers 404.\",\"remedy\":\"See that the page’s path is right and that the page is published.\"}}]',NULL,1,'2026-11-26 15:24:13.637',1,'2026-11-26 15:24:14.554','{}',1),
(6,'3fh817e4dn',6,5,'unreachable',NULL,NULL,NULL,'[{\"rule\":\"page-unreachable\",\"level\":\"error\",\"facts\":{\"why\":\"hollinfell.localhost:41111 answers 404.\",\"remedy\":\"See that the page’s path is right and that the page is published.\"}}]',NULL,1,'2026-11-26 15:24:13.668',1,NULL,'{}',1),
(7,'cv1kzzntbq',7,6,'unreachable',NULL,NULL,NULL,'[{\"rule\":\"page-unreachable\",\"level\":\"error\",\"facts\":{\"why\":\"hollinfell.localhost:41111 answers 404.\",\"remedy\":\"See that the page’s path is right and that the page is published.\"}}]',NULL,1,'2026-11-26 15:24:13.698',1,NULL,'{}',1);
/*!40000 ALTER TABLE `placement` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `preset`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `preset` (
  `id` bigint(20) unsigned NOT NULL AUTO_INCREMENT,
  `key` varchar(80) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `meaning` varchar(300) NOT NULL,
  `version` int(11) NOT NULL DEFAULT 1,
  `created_at` datetime(3) NOT NULL,
  `created_by` bigint(20) unsigned DEFAULT NULL,
  `options` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`options`)),
  PRIMARY KEY (`id`),
  UNIQUE KEY `preset_key_unique` (`key`),
  KEY `preset_created_by_person_id_fk` (`created_by`),
  CONSTRAINT `preset_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `preset` WRITE;
/*!40000 ALTER TABLE `preset` DISABLE KEYS */;
/*!40000 ALTER TABLE `preset` ENABLE KEYS */;
UNLOCK TABLES;
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

LOCK TABLES `preview` WRITE;
/*!40000 ALTER TABLE `preview` DISABLE KEYS */;
/*!40000 ALTER TABLE `preview` ENABLE KEYS */;
UNLOCK TABLES;
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
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `provider_sheet` WRITE;
/*!40000 ALTER TABLE `provider_sheet` DISABLE KEYS */;
/*!40000 ALTER TABLE `provider_sheet` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `revision`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `revision` (
  `id` bigint(20) unsigned NOT NULL AUTO_INCREMENT,
  `embed_id` bigint(20) unsigned NOT NULL,
  `number` int(11) NOT NULL,
  `source_id` bigint(20) unsigned NOT NULL,
  `left_out` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`left_out`)),
  `sheet_id` varchar(60) DEFAULT NULL,
  `sheet_digest` varchar(64) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL,
  `reason` varchar(200) NOT NULL,
  `created_at` datetime(3) NOT NULL,
  `created_by` bigint(20) unsigned DEFAULT NULL,
  `options` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`options`)),
  PRIMARY KEY (`id`),
  UNIQUE KEY `revision_number` (`embed_id`,`number`),
  KEY `revision_source_id_source_id_fk` (`source_id`),
  KEY `revision_created_by_person_id_fk` (`created_by`),
  CONSTRAINT `revision_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION,
  CONSTRAINT `revision_embed_id_embed_id_fk` FOREIGN KEY (`embed_id`) REFERENCES `embed` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION,
  CONSTRAINT `revision_source_id_source_id_fk` FOREIGN KEY (`source_id`) REFERENCES `source` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION
) ENGINE=InnoDB AUTO_INCREMENT=9 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `revision` WRITE;
/*!40000 ALTER TABLE `revision` DISABLE KEYS */;
INSERT INTO `revision` VALUES
(1,1,1,1,'[]','kinorill','fc23088fd35130062c6dce37513643bde872e071aeadc64fa656f250a9d3098a','collected','2026-11-26 15:24:11.109',1,'{\"start\":112}'),
(2,2,1,2,'[]','kinorill','fc23088fd35130062c6dce37513643bde872e071aeadc64fa656f250a9d3098a','collected','2026-11-26 15:24:13.272',1,'{\"start\":12,\"fit\":\"shape\",\"max-width\":700}'),
(3,3,1,3,'[]','kinorill','fc23088fd35130062c6dce37513643bde872e071aeadc64fa656f250a9d3098a','collected','2026-11-26 15:24:13.320',1,'{\"parameter.hue\":\"12\"}'),
(4,4,1,4,'[]','slotsedge','cf95734d32a7cb4fa5ad162a9f3653e7ad7e5e03c53c671c49ac129944117ee6','collected','2026-11-26 15:24:13.374',1,'{}'),
(5,5,1,5,'[]','slotsedge','cf95734d32a7cb4fa5ad162a9f3653e7ad7e5e03c53c671c49ac129944117ee6','collected','2026-11-26 15:24:13.424',1,'{}'),
(6,6,1,6,'[]','tallywren','4e0c925fbb6fab13b4d28da31802b5aee27a98a900827c9ed6e54151a19a3fa3','collected','2026-11-26 15:24:13.470',1,'{}'),
(7,2,2,2,'[]','kinorill','fc23088fd35130062c6dce37513643bde872e071aeadc64fa656f250a9d3098a','saved','2026-11-26 15:24:14.289',1,'{\"start\":15,\"fit\":\"shape\",\"max-width\":700}'),
(8,1,2,1,'[]','kinorill','fc23088fd35130062c6dce37513643bde872e071aeadc64fa656f250a9d3098a','saved','2026-11-26 15:24:14.617',1,'{\"start\":112,\"end\":184}');
/*!40000 ALTER TABLE `revision` ENABLE KEYS */;
UNLOCK TABLES;
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

LOCK TABLES `rule` WRITE;
/*!40000 ALTER TABLE `rule` DISABLE KEYS */;
/*!40000 ALTER TABLE `rule` ENABLE KEYS */;
UNLOCK TABLES;
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

LOCK TABLES `session` WRITE;
/*!40000 ALTER TABLE `session` DISABLE KEYS */;
INSERT INTO `session` VALUES
('570b0f2061784d86b7da1008115d52c0fbe8cb6225fde7dfb3c18e96c82857db',1,'2026-11-26 15:24:10.644','2026-12-26 15:24:10.644','pqj6rrhw6p','2026-11-26 15:24:10.644','127.0.0.1','node');
/*!40000 ALTER TABLE `session` ENABLE KEYS */;
UNLOCK TABLES;
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
) ENGINE=InnoDB AUTO_INCREMENT=15 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `sighting` WRITE;
/*!40000 ALTER TABLE `sighting` DISABLE KEYS */;
INSERT INTO `sighting` VALUES
(1,1,4,'planned',NULL,NULL,'[]'),
(2,1,3,'live',1,27,'[]'),
(3,1,2,'live',1,22,'[]'),
(4,1,1,'live',1,17,'[]'),
(5,2,7,'unreachable',NULL,NULL,'[{\"rule\":\"page-unreachable\",\"level\":\"error\",\"facts\":{\"why\":\"hollinfell.localhost:41111 answers 404.\",\"remedy\":\"See that the page’s path is right and that the page is published.\"}}]'),
(6,2,6,'unreachable',NULL,NULL,'[{\"rule\":\"page-unreachable\",\"level\":\"error\",\"facts\":{\"why\":\"hollinfell.localhost:41111 answers 404.\",\"remedy\":\"See that the page’s path is right and that the page is published.\"}}]'),
(7,2,5,'unreachable',NULL,NULL,'[{\"rule\":\"page-unreachable\",\"level\":\"error\",\"facts\":{\"why\":\"hollinfell.localhost:41111 answers 404.\",\"remedy\":\"See that the page’s path is right and that the page is published.\"}}]'),
(8,3,4,'planned',NULL,NULL,'[]'),
(9,3,3,'live',1,27,'[]'),
(10,3,2,'out-of-date',1,22,'[{\"rule\":\"out-of-date\",\"level\":\"warning\",\"facts\":{\"delivery\":1,\"carries\":1,\"revision\":2}}]'),
(11,3,1,'altered',1,17,'[{\"rule\":\"altered\",\"level\":\"warning\",\"facts\":{\"line\":17,\"found\":\"<iframe style=\\\"display:block;max-width:320px;margin:0 auto\\\" data-orbis=\\\"yfv3hz2cj2.1\\\" width=\\\"560\\\" height=\\\"315\\\" src=\\\"http://play.kinorill.localhost:41111/reel/nB4moorNight?knobs=1&amp;from=113\\\" title=\\\"Opening talk\\\" allow=\\\"fullscreen\\\" allowfullscreen></iframe>\",\"issued\":\"<iframe style=\\\"display:block;max-width:320px;margin:0 auto\\\" data-orbis=\\\"yfv3hz2cj2.1\\\" width=\\\"560\\\" height=\\\"315\\\" src=\\\"http://play.kinorill.localhost:41111/reel/nB4moorNight?knobs=1&amp;from=112\\\" title=\\\"Opening talk\\\" allow=\\\"fullscreen\\\" allowfullscreen></iframe>\"}}]'),
(12,4,7,'unreachable',NULL,NULL,'[{\"rule\":\"page-unreachable\",\"level\":\"error\",\"facts\":{\"why\":\"hollinfell.localhost:41111 answers 404.\",\"remedy\":\"See that the page’s path is right and that the page is published.\"}}]'),
(13,4,6,'unreachable',NULL,NULL,'[{\"rule\":\"page-unreachable\",\"level\":\"error\",\"facts\":{\"why\":\"hollinfell.localhost:41111 answers 404.\",\"remedy\":\"See that the page’s path is right and that the page is published.\"}}]'),
(14,4,5,'unreachable',NULL,NULL,'[{\"rule\":\"page-unreachable\",\"level\":\"error\",\"facts\":{\"why\":\"hollinfell.localhost:41111 answers 404.\",\"remedy\":\"See that the page’s path is right and that the page is published.\"}}]');
/*!40000 ALTER TABLE `sighting` ENABLE KEYS */;
UNLOCK TABLES;
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
  `defaults` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`defaults`)),
  `head` tinyint(1) NOT NULL DEFAULT 0,
  PRIMARY KEY (`id`),
  UNIQUE KEY `site_key_unique` (`key`),
  KEY `site_created_by_person_id_fk` (`created_by`),
  CONSTRAINT `site_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person` (`id`) ON DELETE NO ACTION ON UPDATE NO ACTION
) ENGINE=InnoDB AUTO_INCREMENT=2 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `site` WRITE;
/*!40000 ALTER TABLE `site` DISABLE KEYS */;
INSERT INTO `site` VALUES
(1,'hollinfell','Hollin Fell','http://hollinfell.localhost:41111',2,'2026-11-26 15:24:10.760',1,'{\"video\":{\"align\":\"centre\"}}',1);
/*!40000 ALTER TABLE `site` ENABLE KEYS */;
UNLOCK TABLES;
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
) ENGINE=InnoDB AUTO_INCREMENT=7 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `source` WRITE;
/*!40000 ALTER TABLE `source` DISABLE KEYS */;
INSERT INTO `source` VALUES
(1,1,1,'<iframe width=\"560\" height=\"315\" src=\"http://play.kinorill.localhost:41111/reel/nB4moorNight?knobs=1\" title=\"Opening talk\" allow=\"fullscreen\" allowfullscreen></iframe>','<iframe width=\"560\" height=\"315\" src=\"http://play.kinorill.localhost:41111/reel/nB4moorNight?knobs=1\" title=\"Opening talk\" allow=\"fullscreen\" allowfullscreen></iframe>','2026-11-26 15:24:11.109',1,'d5160b435fa6bbe36721436f13c71a62ec30eecb60770f35a1510bfe6e32708a',NULL),
(2,2,1,'<iframe width=\"560\" height=\"315\" src=\"http://play.kinorill.localhost:41111/reel/fN2north?knobs=1\" title=\"Why “north” isn’t \\ north 🦉 &amp; &quot;so&quot;\" allow=\"fullscreen\" allowfullscreen></iframe>','<iframe width=\"560\" height=\"315\" src=\"http://play.kinorill.localhost:41111/reel/fN2north?knobs=1\" title=\"Why “north” isn’t \\ north 🦉 &amp; &quot;so&quot;\" allow=\"fullscreen\" allowfullscreen></iframe>','2026-11-26 15:24:13.272',1,'2db8e3ba382d6e3b207ffca20ee9b37e118626789f0afc18887ad51bc91155f9',NULL),
(3,3,1,'<iframe width=\"560\" height=\"315\" src=\"http://play.kinorill.localhost:41111/reel/cM7comet?knobs=1\" title=\"Opening talk\" allow=\"fullscreen\" allowfullscreen></iframe>','<iframe width=\"560\" height=\"315\" src=\"http://play.kinorill.localhost:41111/reel/cM7comet?knobs=1\" title=\"Opening talk\" allow=\"fullscreen\" allowfullscreen></iframe>','2026-11-26 15:24:13.320',1,'06288496e95bd66ad494d49f062e8a1b54af16949ba90d5699805c3508c99db2',NULL),
(4,4,1,'<div class=\"slotsedge-calendar\" data-calendar=\"a\"></div>\n<script async src=\"https://cdn.slotsedge.localhost/booking.js\"></script>','<div class=\"slotsedge-calendar\" data-calendar=\"a\"></div>\n<script async src=\"https://cdn.slotsedge.localhost/booking.js\"></script>','2026-11-26 15:24:13.374',1,'b900b4a2088df13bd63311db5ef02952957f2ef52fdadca19b5118b45b6c121c',NULL),
(5,5,1,'<div class=\"slotsedge-calendar\" data-calendar=\"b\"></div>\n<script async src=\"https://cdn.slotsedge.localhost/booking.js\"></script>','<div class=\"slotsedge-calendar\" data-calendar=\"b\"></div>\n<script async src=\"https://cdn.slotsedge.localhost/booking.js\"></script>','2026-11-26 15:24:13.424',1,'bf8e56e1f56c21a9fb92be75d0cabeb01ea92b8b033fe4278343fc26f1db0ae4',NULL),
(6,6,1,'<script src=\"https://count.tallywren.localhost/w.js?site=hollinfell\"></script>','<script src=\"https://count.tallywren.localhost/w.js?site=hollinfell\"></script>','2026-11-26 15:24:13.470',1,'02b0e06e2a71e854336e3c1a6296d73bd40bb5c968e5d962c1e4933de7f411f2',NULL);
/*!40000 ALTER TABLE `source` ENABLE KEYS */;
UNLOCK TABLES;
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
) ENGINE=InnoDB AUTO_INCREMENT=8 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `spot` WRITE;
/*!40000 ALTER TABLE `spot` DISABLE KEYS */;
INSERT INTO `spot` VALUES
(1,1,'opening',358,704,760,1,'2026-11-26 15:24:10.914',1),
(2,1,'north',358,704,760,1,'2026-11-26 15:24:10.945',1),
(3,1,'comet',358,704,760,1,'2026-11-26 15:24:10.972',1),
(4,1,'past',358,704,760,1,'2026-11-26 15:24:11.001',1),
(5,2,'a',358,704,760,1,'2026-11-26 15:24:11.037',1),
(6,2,'b',358,704,760,1,'2026-11-26 15:24:11.054',1),
(7,2,'c',358,704,760,1,'2026-11-26 15:24:11.084',1);
/*!40000 ALTER TABLE `spot` ENABLE KEYS */;
UNLOCK TABLES;
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
) ENGINE=InnoDB AUTO_INCREMENT=5 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `sweep_page` WRITE;
/*!40000 ALTER TABLE `sweep_page` DISABLE KEYS */;
INSERT INTO `sweep_page` VALUES
(1,1,1,'read',200,NULL,'fd1affe5325b19d4ad1eb8027c7424ff7500f34df27431bfec2ab24b21088bf0','2026-11-26 15:24:14.193'),
(2,1,2,'unreachable',404,'hollinfell.localhost:41111 answers 404.',NULL,'2026-11-26 15:24:14.223'),
(3,2,1,'read',200,NULL,'efac51c3ff36735e38878c135fbf8c3a013713ce9c5047f58317165e370dda8d','2026-11-26 15:24:14.425'),
(4,2,2,'unreachable',404,'hollinfell.localhost:41111 answers 404.',NULL,'2026-11-26 15:24:14.467');
/*!40000 ALTER TABLE `sweep_page` ENABLE KEYS */;
UNLOCK TABLES;
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

LOCK TABLES `token` WRITE;
/*!40000 ALTER TABLE `token` DISABLE KEYS */;
INSERT INTO `token` VALUES
(1,'08syqbws5g',1,'tests','2dd288cf45e97974c02a9a6169153ed1ab19b692a263de55b4054bb3858e0351','2026-11-26 15:24:10.733','2026-11-26 15:24:10.749',NULL,'all','2027-11-26 15:24:10.733','127.0.0.1');
/*!40000 ALTER TABLE `token` ENABLE KEYS */;
UNLOCK TABLES;
/*!40103 SET TIME_ZONE=@OLD_TIME_ZONE */;

/*!40101 SET SQL_MODE=@OLD_SQL_MODE */;
/*!40014 SET FOREIGN_KEY_CHECKS=@OLD_FOREIGN_KEY_CHECKS */;
/*!40014 SET UNIQUE_CHECKS=@OLD_UNIQUE_CHECKS */;
/*!40101 SET CHARACTER_SET_CLIENT=@OLD_CHARACTER_SET_CLIENT */;
/*!40101 SET CHARACTER_SET_RESULTS=@OLD_CHARACTER_SET_RESULTS */;
/*!40101 SET COLLATION_CONNECTION=@OLD_COLLATION_CONNECTION */;
/*!40111 SET SQL_NOTES=@OLD_SQL_NOTES */;

