-- What else a student plays, beside the instrument in their hands.
UPDATE student SET document = json_set(document, '$.also', json('[]')) WHERE json_valid(document) AND json_type(document, '$.also') IS NULL;
