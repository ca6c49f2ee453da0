UPDATE `site` SET `editor` = JSON_INSERT(`editor`, '$.styleField', JSON_COMPACT('false'), '$.scriptField', JSON_COMPACT('false'), '$.mostKilobytes', JSON_COMPACT('null'));
