<?php

declare(strict_types=1);

// Two hundred who ask at one door are all answered with yes at once, in the largest site of the large platform. Run by
// bin/bench; nothing of it is kept.
use Doctrine\DBAL\Connection;
use MintDoor\Doors\DoorContextLoader;
use MintDoor\Doors\DoorLines;
use MintDoor\Doors\DoorRequest;
use MintDoor\Doors\Doors;
use MintDoor\Doors\Repository\SentenceDoors;
use MintDoor\Doors\WaitingAnswered;
use MintDoor\Doors\WaitingAnswers;
use MintDoor\Roster\Gate;
use MintDoor\Shared\CallerProvider;
use MintDoor\Shared\Id;
use MintDoor\Shared\Transaction;

require __DIR__.'/platform.php';

const ASKING = 200;
const BOUND = 1_000;

$get = services();
$db = $get(Connection::class);
$gate = $get(Gate::class);
$doors = $get(Doors::class);
$stored = $get(SentenceDoors::class);
$contexts = $get(DoorContextLoader::class);
$lines = $get(DoorLines::class);
$answers = $get(WaitingAnswers::class);
$callers = $get(CallerProvider::class);
$transaction = $get(Transaction::class);
assert($db instanceof Connection && $gate instanceof Gate && $doors instanceof Doors);
assert($stored instanceof SentenceDoors && $contexts instanceof DoorContextLoader && $lines instanceof DoorLines);
assert($answers instanceof WaitingAnswers && $callers instanceof CallerProvider && $transaction instanceof Transaction);

$lead = $callers->loadUserByIdentifier('mara.lindqvist');
$site = Id::text((string) $db->fetchOne("SELECT id FROM site WHERE code = 'L-0000'"));
// Those of its division who have never been there.
$people = $db->fetchFirstColumn(
    <<<'SQL'
        SELECT p.id
        FROM person p
        JOIN site s ON s.id = ? AND s.division_id = p.division_id
        WHERE p.kind = 'learner' AND p.gone IS NULL
            AND NOT EXISTS (SELECT 1 FROM enrollment e WHERE e.site_id = s.id AND e.person_id = p.id)
        LIMIT ?
        SQL,
    [Id::binary($site), ASKING],
    [1 => Doctrine\DBAL\ParameterType::INTEGER],
);

$times = [];
for ($round = 0; $round < 3; ++$round) {
    $times[] = $transaction->attempt(false, static function () use (
        $db,
        $gate,
        $doors,
        $stored,
        $contexts,
        $lines,
        $answers,
        $callers,
        $lead,
        $site,
        $people,
    ): float {
        $access = $gate->at($site, $lead);
        $door = $doors->make($access, new DoorRequest('request', approval: true, about: 'Ask.'));
        foreach ($people as $person) {
            $caller = $callers->anybody(Id::text((string) $person));
            $lines->stand($contexts->at($stored->anywhere($door), $caller), 'approval', null, 'I sing.');
        }
        $ids = array_map(
            static fn(mixed $id): int => (int) (is_numeric($id) ? $id : 0),
            $db->fetchFirstColumn('SELECT id FROM waiter WHERE door_id = ? ORDER BY id', [Id::binary($door)]),
        );
        assert([] !== $ids);
        $began = hrtime(true);
        $answered = $answers->answer($access, $ids, 'yes', '');
        $ms = (hrtime(true) - $began) / 1e6;
        $in = array_filter($answered, static fn(WaitingAnswered $each): bool => 'in' === $each->code);
        if (ASKING !== count($in)) {
            throw new RuntimeException(sprintf('Only %d are in.', count($in)));
        }

        return $ms;
    });
}
sort($times);
$held = $times[1] <= BOUND;
printf("yes to %d who ask at once: %d ms (bound %d ms) %s\n", ASKING, $times[1], BOUND, $held ? 'held' : 'NOT HELD');
exit($held ? 0 : 1);
