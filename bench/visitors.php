<?php

declare(strict_types=1);

// Sessions of so many learners of the large platform, as a JSON list of cookies. Run by bin/bench.
use Doctrine\DBAL\DriverManager;
use Doctrine\DBAL\Tools\DsnParser;
use MintDoor\Shared\Id;
use MintDoor\Tests\Race\Sessions;

require dirname(__DIR__).'/vendor/autoload.php';

$db = DriverManager::getConnection((new DsnParser(['mysql' => 'pdo_mysql']))->parse((string) getenv('DATABASE_URL')));
$people = [];
foreach (
    $db->fetchAllAssociative(
        "SELECT a.person_id, a.password_hash FROM account a JOIN person p ON p.id = a.person_id AND p.kind = 'learner' "
            ."WHERE a.closed_from > '2999-01-01' AND a.must_change = 0 ORDER BY a.person_id LIMIT "
            .(int) $argv[1]
            .' OFFSET 5000',
    ) as $row
) {
    $people[Id::text((string) $row['person_id'])] = is_string($row['password_hash']) ? $row['password_hash'] : null;
}
echo json_encode(Sessions::of($db, $people));
