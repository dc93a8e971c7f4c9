<?php

declare(strict_types=1);

// 5,000 accounts from pasted rows among 200,000 people: how long working them out takes, and how fast a worker makes
// them beside raw multi-row INSERTs of all the same rows into all the same tables; 5,000 messages: queued, and
// delivered into the messages. Run by bin/bench on the large platform; what it makes it takes away again.
use Doctrine\DBAL\Connection;
use MintDoor\Accounts\AccountBatch;
use MintDoor\Accounts\AccountBatchRequest;
use MintDoor\Accounts\AccountRunner;
use MintDoor\Accounts\MakeAccounts;
use MintDoor\Changes\ChangeLists;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\Messages\MessageKind;
use MintDoor\Messages\FirstTexts;
use MintDoor\Messages\Messages;
use MintDoor\Messages\Outgoing;
use MintDoor\Messages\SendDue;
use MintDoor\Messages\Sender;
use MintDoor\Shared\CallerProvider;
use MintDoor\Shared\Id;

require __DIR__.'/platform.php';
ini_set('memory_limit', '1G');

const ROWS = 5_000;
$get = services();
[$db, $batch, $runner, $stored, $callers, $room, $sender, $texts] = array_map($get, [
    Connection::class,
    AccountBatch::class,
    AccountRunner::class,
    ChangeLists::class,
    CallerProvider::class,
    Messages::class,
    Sender::class,
    FirstTexts::class,
]);
assert(
    $db instanceof Connection
        && $batch instanceof AccountBatch
        && $runner instanceof AccountRunner
        && $stored instanceof ChangeLists
        && $callers instanceof CallerProvider
        && $room instanceof Messages
        && $sender instanceof Sender
        && $texts instanceof FirstTexts,
);
$caller = $callers->byId(
    Id::text((string) $db->fetchOne("SELECT person_id FROM account WHERE login = 'ingrid.solheim'")),
);
// Names as people have them here, in other pairs: most have namesakes.
[$given, $family] = array_map(
    static fn(string $column): array => array_map(
        strval(...),
        $db->fetchFirstColumn("SELECT $column FROM person WHERE kind = 'learner' ORDER BY id LIMIT 700"),
    ),
    ['given_name', 'family_name'],
);
$text =
    "given\tfamily\temail\tlevel\n"
    .implode(
        "\n",
        array_map(
            static fn(int $n): string => $given[$n % 699]
                ."\t"
                .$family[($n * 31 + 7) % 697]
                .chr(97 + ($n % 26))
                ."\tbench$n@bench.example.org\t7",
            range(1, ROWS),
        ),
    );
$division = (string) $db->fetchOne("SELECT code FROM division WHERE code = 'millrace'");
$request = new AccountBatchRequest($text, $division);

$tables = [
    'person' => 'id',
    'person_term' => 'person_id',
    'person_key' => 'person_id',
    'account' => 'person_id',
    'history_entry' => 'person_id',
];
$mine = "SELECT id FROM person WHERE email LIKE 'bench%@bench.example.org'";
$clean = static function () use ($db, $tables, $mine): void {
    $ids =
        implode(
            ', ',
            array_map(static fn(mixed $id): string => '0x'.bin2hex((string) $id), $db->fetchFirstColumn($mine)),
        )
        ?: '0x00';
    $db->executeStatement("DELETE FROM account_row WHERE person_id IN ($ids)");
    $all = array_reverse($tables + ['message' => 'person_id', 'first_password' => 'person_id']);
    foreach ($all as $table => $column) {
        $db->executeStatement("DELETE FROM $table WHERE $column IN ($ids)");
    }
    $db->executeStatement("DELETE FROM letter WHERE address LIKE 'bench%@bench.example.org'");
    $db->executeStatement(
        "DELETE FROM account_row WHERE change_list_id IN (SELECT id FROM change_list WHERE title = 'Bench')",
    );
    $db->executeStatement("DELETE FROM change_list WHERE title = 'Bench'");
    $db->executeStatement('DELETE FROM messenger_messages');
};
$clean();
$held = true;
$say = static function (string $what, bool $ok) use (&$held): void {
    $held = $held && $ok;
    echo $what, '   ', $ok ? 'held' : 'NOT HELD', "\n";
};
try {
    $computed = $lines = [];
    for ($n = 0; $n < 3; ++$n) {
        $computed[] = seconds(static function () use ($batch, $request, $caller, &$lines): void {
            $lines = $batch->read($request, $caller)->lines;
        });
    }
    sort($computed);
    $ready = array_values(array_filter($lines, static fn($line): bool => Verdict::Ready === $line->verdict));
    $say(
        sprintf(
            '%s rows of accounts worked out            %6.2f s   %s ready   bound 5 s',
            number_format(ROWS),
            $computed[1],
            number_format(count($ready)),
        ),
        $computed[1] <= 5,
    );

    $list = $stored->begin('accounts', null, 'Bench', 'applying', $caller);
    $list->total = count($ready);
    $changeList = $list->id;
    $applied = seconds(static function () use ($runner, $ready, $changeList, $db): void {
        $db->transactional(static fn() => $runner->begin($changeList, $ready));
        while ('applying' === $db->fetchOne('SELECT state FROM change_list WHERE id = ?', [Id::binary($changeList)])) {
            $runner(new MakeAccounts($changeList));
        }
    });
    $ids = implode(
        ', ',
        array_map(static fn(mixed $id): string => '0x'.bin2hex((string) $id), $db->fetchFirstColumn($mine)),
    );
    // What was made of a row points to whom it made.
    $db->executeStatement("DELETE FROM account_row WHERE person_id IN ($ids)");
    $bare = writtenAgain($db, array_map(static fn(string $column): string => "$column IN ($ids)", $tables));
    $say(
        sprintf(
            'the same made by a worker                 %6.2f s   raw INSERTs of the same rows %.2f s: %.0f %% of their '
                .'rate   bound 15 %%',
            $applied,
            $bare,
            (100 * $bare) / $applied,
        ),
        $bare / $applied >= 0.15,
    );

    $people = array_map(
        static fn(mixed $id): string => Id::text((string) $id),
        $db->fetchFirstColumn($mine.' ORDER BY id LIMIT '.ROWS),
    );
    $template = $texts->of(MessageKind::Welcome, 'en');
    $queued = seconds(
        static fn() => $db->transactional(
            static fn() => $room->queue(
                array_map(
                    static fn(string $person, int $n): Outgoing => new Outgoing(
                        MessageKind::Welcome,
                        $person,
                        "bench$n@bench.example.org",
                        $template->fill([
                            'given' => 'Somebody',
                            'login' => 'bench'.$n,
                            'platform' => 'Bench',
                            'by' => 'Ingrid',
                            'division' => 'Millrace',
                            'words' => 'Come in.',
                        ]),
                        'bench:'.$person,
                    ),
                    $people,
                    array_keys($people),
                ),
                $caller->id,
                held: false,
            ),
        ),
    );
    $say(
        sprintf('%s messages queued                      %6.2f s   bound 2 s', number_format(count($people)), $queued),
        $queued <= 2,
    );
    $delivered = seconds(static function () use ($sender, $db): void {
        do {
            $sender(new SendDue());
        } while (false !== $db->fetchOne('SELECT 1 FROM message WHERE due_at <= UTC_TIMESTAMP(3) LIMIT 1'));
    });
    $rate = count($people) / $delivered;
    $say(
        sprintf('the same delivered to simulated inboxes     %6.2f s   %.0f a second   bound 200', $delivered, $rate),
        $rate >= 200,
    );
} finally {
    $clean();
}
exit($held ? 0 : 1);
