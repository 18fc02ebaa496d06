<?php

declare(strict_types=1);

/*
 * Lays a large studio into a database that has the demo's people: PEOPLE people of TEACHERS teachers, each with the
 * records of one of those people under ids of its own. It says how far it is, and goes on where it was ended.
 *
 *   DATABASE_URL=… (of the database's owner) php bench/grow.php TEACHERS PEOPLE
 */
$url = parse_url((string) getenv('DATABASE_URL')) ?: exit("DATABASE_URL says which database.\n");
$db = new PDO(
    sprintf('mysql:host=%s;port=%d;dbname=%s', $url['host'] ?? '', $url['port'] ?? 3306,
        ltrim($url['path'] ?? '', '/')),
    $url['user'] ?? '',
    $url['pass'] ?? '',
    [PDO::MYSQL_ATTR_INIT_COMMAND => 'SET foreign_key_checks = 0, unique_checks = 0'],
);
[$teachers, $people] = [(int) ($argv[1] ?? 500), (int) ($argv[2] ?? 100000)];
const AT_ONCE = 400;
/** What is one device's, one secret's, or of a class. */
const LEFT_OUT = ['own_key', 'plan_feed', 'carried_id', 'draft', 'class_member', 'sharing', 'urgency', 'kept_picture'];

/** Of these each has the newest, so that all together have some fifty readings each. */
const AT_MOST = ['test' => 23, 'readiness_check' => 24, 'felt_in_rung' => 8];

$column = static fn (string $sql): array => $db->query($sql)->fetchAll(PDO::FETCH_COLUMN);
$studio = bin2hex((string) $column("SELECT studio_id FROM teacher WHERE email = 'demo@studio.example'")[0]);
$demo = bin2hex((string) $column("SELECT id FROM teacher WHERE email = 'demo@studio.example'")[0]);

/** An id made of another and a number, of the form that ids have. */
$made = static function (string $of, string $number): string {
    $hash = "MD5(CONCAT($number, HEX($of)))";

    return "IF($of IS NULL, NULL, UNHEX(CONCAT(SUBSTR($hash, 1, 12), '4', SUBSTR($hash, 14, 3), '8', SUBSTR($hash, 18))))";
};
$teacher = static fn (string $number): string => "UNHEX(CONCAT(SUBSTR(MD5(CONCAT('teacher ', $number)), 1, 12), '4',
    SUBSTR(MD5(CONCAT('teacher ', $number)), 14, 3), '8', SUBSTR(MD5(CONCAT('teacher ', $number)), 18)))";

$newest = static fn (string $table, string $as): string => isset(AT_MOST[$table])
    ? " AND $as.id IN (SELECT id FROM grown_rows)"
    : '';

// Every column of every table of records, and which of them names a row of which other.
$columns = [];
foreach ($db->query('SELECT TABLE_NAME t, COLUMN_NAME c, COLUMN_TYPE k, EXTRA e FROM information_schema.COLUMNS
    WHERE TABLE_SCHEMA = DATABASE() AND TABLE_NAME NOT LIKE "grown%" ORDER BY ORDINAL_POSITION') as $one) {
    $columns[$one['t']][$one['c']] = [$one['k'], $one['e']];
}
$leads = [];
foreach ($db->query('SELECT TABLE_NAME t, COLUMN_NAME c, REFERENCED_TABLE_NAME r
    FROM information_schema.KEY_COLUMN_USAGE
    WHERE TABLE_SCHEMA = DATABASE() AND REFERENCED_TABLE_NAME IS NOT NULL') as $one) {
    $leads[$one['t']][$one['c']] = $one['r'];
}
$from = ['practitioner' => 's.id = t.id'];
foreach ($columns as $table => $of) {
    if (isset($of['practitioner_id']) && !in_array($table, LEFT_OUT, true)) {
        $from[$table] = 's.id = t.practitioner_id'.$newest($table, 't');
    }
}
// Nothing is of a row that is left out.
foreach ($from as $table => $which) {
    foreach ($leads[$table] ?? [] as $name => $to) {
        $from[$table] .= isset(AT_MOST[$to]) ? " AND (t.$name IS NULL OR t.$name IN (SELECT id FROM grown_rows))" : '';
    }
}
// What belongs to one of these rows, and to nobody by itself.
foreach ($leads as $table => $of) {
    foreach ($of as $name => $to) {
        $isOf = isset($from[$to]) && 'practitioner' !== $to;
        if (!isset($from[$table]) && $isOf && !in_array($table, LEFT_OUT, true)) {
            $from[$table] = "EXISTS (SELECT 1 FROM $to o WHERE o.id = t.$name AND o.practitioner_id = s.id".$newest($to, 'o').')';
        }
    }
}

$isNew = [] === $column("SHOW TABLES LIKE 'grown'");
$db->exec('CREATE TABLE IF NOT EXISTS grown_rows (id BINARY(16) PRIMARY KEY)');
$db->exec('CREATE TABLE IF NOT EXISTS grown (i INT PRIMARY KEY, id BINARY(16) NOT NULL)');
if ($isNew) {
    $db->exec("INSERT INTO grown SELECT ROW_NUMBER() OVER (ORDER BY created_at, id) - 1, id FROM practitioner
        WHERE teacher_id = UNHEX('$demo')");
    foreach (AT_MOST as $table => $most) {
        $db->exec("INSERT INTO grown_rows SELECT id FROM (SELECT t.id, ROW_NUMBER() OVER
            (PARTITION BY t.practitioner_id ORDER BY t.at DESC, t.id) AS n
            FROM $table t JOIN grown s ON s.id = t.practitioner_id) r WHERE n <= $most");
    }
}
$sources = (int) $column('SELECT COUNT(*) FROM grown')[0];
foreach ($from as $table => $which) {
    // Apart from what is made of it: that grows.
    $db->exec("CREATE TABLE IF NOT EXISTS grown_of_$table AS SELECT s.i AS grown_i, t.*
        FROM `$table` t JOIN grown s ON $which");
}
$names = array_diff(array_keys($columns['teacher']), ['id', 'email', 'name', 'role']);
$db->exec('INSERT IGNORE INTO teacher (id, email, name, role, '.implode(', ', $names).')
    SELECT '.$teacher('n.seq').", CONCAT('teacher-', n.seq, '@studio.example'), CONCAT('Teacher ', n.seq), 'teacher', ".
    implode(', ', array_map(static fn (string $one): string => "t.$one", $names)).'
    FROM teacher t JOIN seq_0_to_'.($teachers - 1)." n WHERE t.id = UNHEX('$demo')");
$began = hrtime(true);
$first = (int) $column("SELECT COALESCE(MAX(CAST(SUBSTR(name, 8) AS UNSIGNED)) + 1, 0)
    FROM practitioner WHERE name LIKE 'Person %'")[0];
for ($next = $first; $next < $people; $next += AT_ONCE) {
    $last = min($next + AT_ONCE, $people) - 1;
    $db->beginTransaction();
    foreach ($from as $table => $which) {
        $into = $values = [];
        foreach ($columns[$table] as $name => [$kind, $extra]) {
            if (str_contains($extra, 'auto_increment') || str_contains($extra, 'GENERATED')) {
                continue;
            }
            $into[] = "`$name`";
            $values[] = match (true) {
                'practitioner' === $table && 'name' === $name => "CONCAT('Person ', n.seq)",
                'teacher' === ($leads[$table][$name] ?? null) => $teacher("(n.seq % $teachers)"),
                'studio' === ($leads[$table][$name] ?? null) => "UNHEX('$studio')",
                'binary(16)' === $kind => $made("t.`$name`", 'n.seq'),
                default => "t.`$name`",
            };
        }
        $db->exec("INSERT INTO `$table` (".implode(', ', $into).') SELECT '.implode(', ', $values)."
            FROM grown_of_$table t JOIN seq_{$next}_to_$last n ON n.seq % $sources = t.grown_i");
    }
    $db->commit();
    if (0 === ($last + 1) % 2000 || $last + 1 === $people) {
        $seconds = (hrtime(true) - $began) / 1e9;
        printf("%d of %d people, %.0f s\n", $last + 1, $people, $seconds);
    }
}
// One class, of the first of them, with as many people as a large room has.
$class = $made("'a class'", "''");
$names = array_diff(array_keys($columns['studio_class']), ['id', 'teacher_id', 'name']);
$db->exec('INSERT IGNORE INTO studio_class (id, teacher_id, name, '.implode(', ', $names).") SELECT $class, ".
    $teacher('0').", 'A large class', ".implode(', ', $names)." FROM studio_class WHERE teacher_id = UNHEX('$demo')
    ORDER BY JSON_LENGTH(pieces) DESC LIMIT 1");
$db->exec('INSERT IGNORE INTO class_member (id, class_id, practitioner_id) SELECT '.$made('id', "'in a class '").",
    $class, id FROM practitioner WHERE teacher_id = ".$teacher('0').' ORDER BY name LIMIT 40');

$rows = 0;
foreach (array_keys($from) as $table) {
    $rows += (int) $column("SELECT COUNT(*) FROM `$table`")[0];
}
$readings = $column('SELECT SUM(JSON_LENGTH(readings)) FROM trial')[0];
$all = $column('SELECT COUNT(*) FROM practitioner')[0];
printf("%d teachers, %s people, %d rows of records, %s readings.\n", $teachers, $all, $rows, $readings);
