<?php

declare(strict_types=1);

namespace MintDoor\Tests\Race;

use MintDoor\Core\Doors\Key;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Doors\Repository\DoorKeys;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use Symfony\Component\Process\Process;

/**
 * A thousand people with a valid key at once, for two hundred seats; and what doors do by themselves, by several at
 * once.
 */
final class JoinBurstTest extends RaceCase
{
    private const PEOPLE = 1_000;

    private const SEATS = 200;

    public function testEverySeatIsTakenOnceAndTheOthersWaitInTheOrderInWhichTheyCame(): void
    {
        $key = $this->door();
        $burst = $this->burst($key, $this->people(self::PEOPLE), false);
        self::assertSame([], array_diff_key($burst['statuses'], [200 => 0]), (string) $burst['first']);
        $this->assertFair($burst);
    }

    /** The same, with all of the application killed and begun again in the middle, twice. */
    public function testAnApplicationThatIsKilledLosesNobodyAndCountsNobodyTwice(): void
    {
        $key = $this->door();
        $burst = $this->burst($key, $this->people(self::PEOPLE), true);
        self::assertGreaterThan(0, $burst['again'], 'It was killed while people were coming in.');
        self::assertSame([], array_diff_key($burst['statuses'], [200 => 0]), (string) $burst['first']);
        $this->assertFair($burst);
    }

    /** A door that is shut while people are coming in: whoever was not through is told so, and nobody is half in. */
    public function testADoorIsShutInTheMiddle(): void
    {
        $key = $this->door();
        $burst = $this->burst(
            $key,
            $this->people(300),
            false,
            fn() => $this->db->executeStatement("UPDATE door SET state = 'shut' WHERE id = ?", [
                Id::binary($this->doorOf($key)),
            ]),
        );
        self::assertSame([], array_diff_key($burst['statuses'], [200 => 0, 409 => 0]), (string) $burst['first']);
        self::assertSame(
            300,
            ($burst['passages']['in'] ?? 0) + ($burst['passages']['line'] ?? 0) + ($burst['passages']['shut'] ?? 0),
        );
        self::assertGreaterThan(0, $burst['passages']['shut'] ?? 0);
        self::assertSame(
            $burst['passages']['in'] ?? 0,
            (int) $this->db->fetchOne("SELECT COUNT(*) FROM history_entry WHERE code = 'come-in'"),
        );
    }

    public function testWhatDoorsDoByThemselvesIsDoneOnceHoweverManyDoIt(): void
    {
        $door = $this->doorOf($this->door(2));
        $ids = array_keys($this->people(6));
        foreach ($ids as $n => $id) {
            $this->platform->letIn($this->site, $id, 'learner', self::NOW - 100, door: DoorKind::Key, accepted: false);
        }
        $this->platform->write();
        foreach ($ids as $id) {
            $this->db->executeStatement(
                <<<'SQL'
                    INSERT INTO waiter (site_id, door_id, person_id, what, state, waits, made_at)
                    VALUES (?, ?, ?, 'seat', 'waiting', 1, ?)
                    SQL,
                [Id::binary($this->site), Id::binary($door), Id::binary($id), Instant::toSql(self::NOW - 100)],
            );
        }
        $ticks = array_map(
            fn(): Process => new Process(
                [\PHP_BINARY, \dirname(__DIR__, 2).'/bin/console', 'doors:tick'],
                env: $this->environment(),
            ),
            range(1, 5),
        );
        array_map(static fn(Process $tasks) => $tasks->start(), $ticks);
        $offered = 0;
        foreach ($ticks as $tasks) {
            $tasks->wait();
            self::assertTrue($tasks->isSuccessful(), $tasks->getErrorOutput());
            $offered += preg_match('/offered: (\d+)/', $tasks->getOutput(), $found) ? (int) $found[1] : 0;
        }
        self::assertSame(2, $offered);
        self::assertSame(2, (int) $this->db->fetchOne('SELECT COUNT(*) FROM waiter WHERE offered_until IS NOT NULL'));
        self::assertSame(
            array_map(Id::binary(...), \array_slice($ids, 0, 2)),
            $this->db->fetchFirstColumn('SELECT person_id FROM waiter WHERE offered_until IS NOT NULL ORDER BY id'),
        );
    }

    /** @param array<string, mixed> $burst */
    private function assertFair(array $burst): void
    {
        $in = $this->db->fetchFirstColumn(
            <<<'SQL'
                SELECT person_id
                FROM enrollment_segment
                WHERE site_id = ? AND state = 'current' AND holds_seat = 1 AND until_at > '2999-01-01'
                SQL,
            [Id::binary($this->site)],
        );
        self::assertCount(self::SEATS, $in);
        self::assertCount(self::SEATS, array_unique($in));
        ksort($burst['passages']);
        $expected = ['in' => self::SEATS, 'line' => self::PEOPLE - self::SEATS];
        self::assertSame($expected, $burst['passages'], 'Everybody is told what came of it.');
        $line = $this->db->fetchFirstColumn('SELECT person_id FROM waiter WHERE waits = 1 ORDER BY ahead DESC, id');
        self::assertCount(self::PEOPLE - self::SEATS, array_unique($line));
        self::assertSame([], array_intersect($in, $line));
        self::assertSame(
            $line,
            $this->db->fetchFirstColumn(
                "SELECT person_id FROM history_entry WHERE site_id = ? AND code = 'wait' ORDER BY sequence",
                [Id::binary($this->site)],
            ),
            'The line stands in the order in which the history saw them come.',
        );
        self::assertSame(
            self::PEOPLE,
            (int) $this->db->fetchOne(
                'SELECT COUNT(*) FROM access_grant w JOIN door d ON d.id = w.door_id WHERE d.kind = \'key\'',
            ),
            'Nobody has two.',
        );
        self::assertSame(
            self::SEATS,
            (int) $this->db->fetchOne(<<<'SQL'
                SELECT MAX(sequence)
                FROM history_entry
                WHERE site_id = ? AND code = 'come-in'
                SQL, [
                Id::binary($this->site),
            ]),
            'And those who are in came before all who wait.',
        );
    }

    /** @return string the key of a door that has been set up */
    private function door(int $seats = self::SEATS): string
    {
        $this->db->executeStatement('UPDATE site SET seats = ? WHERE id = ?', [$seats, Id::binary($this->site)]);
        $door = $this->platform->door($this->site, DoorKind::Key, 'key');
        $this->platform->write();
        $this->db->executeStatement('UPDATE door SET terms = ?, made_by = ? WHERE id = ?', [
            '{"role":"learner","waiting":true}',
            Id::binary($this->people['anna']),
            Id::binary($door),
        ]);
        $keys = $this->service(DoorKeys::class);
        $keys->fresh($door);

        return (string) $keys->shown((string) $this->db->fetchOne('SELECT sealed FROM door_key'));
    }

    private function doorOf(string $key): string
    {
        return (string) $this->service(DoorKeys::class)->door(
            Key::read($key)->key ?? throw new \LogicException('A key that was made is right.'),
        );
    }

    /** @return array<string, null> ids */
    private function people(int $many): array
    {
        $people = [];
        for ($n = 0; $n < $many; ++$n) {
            $people[
                $this->platform->person('learner', $this->division, 'Visitor', "Number$n", 7, login: "visitor$n")
            ] = null;
        }
        $this->platform->write();

        return $people;
    }

    /**
     * @param array<string, null> $people
     *
     * @return array{passages: array<string, int>, statuses: array<int|string, int>, again: int, first: ?string}
     */
    private function burst(string $key, array $people, bool $killing, ?callable $midway = null): array
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'burst');
        file_put_contents(
            $file,
            json_encode(
                ['key' => $key, 'cookies' => Sessions::of($this->db, $people), 'atATime' => 64],
                \JSON_THROW_ON_ERROR,
            ),
        );
        $this->serve();
        $visitors = new Process(
            ['node', \dirname(__DIR__, 2).'/bench/burst.mjs'],
            env: ['MINT_DOOR_URL' => 'http://127.0.0.1:'.self::PORT, 'BURST' => $file, 'KEEP_ALIVE' => '0'],
            timeout: 300,
        );
        $visitors->start();
        for ($kills = 0; $killing && $kills < 2; ++$kills) {
            $this->until(150 + 300 * $kills);
            $this->kill();
            usleep(300_000);
            $this->serve();
        }
        if (null !== $midway) {
            $this->until(60);
            $midway();
        }
        $visitors->wait();
        self::assertTrue($visitors->isSuccessful(), $visitors->getErrorOutput());
        unlink($file);

        return json_decode($visitors->getOutput(), true, 8, \JSON_THROW_ON_ERROR);
    }

    /** Waits until so many have come through or stand in the line. */
    private function until(int $came): void
    {
        for ($n = 0; $n < 1_200; ++$n) {
            if (
                (int) $this->db->fetchOne(<<<'SQL'
                    SELECT COUNT(*)
                    FROM history_entry
                    WHERE code IN ('come-in', 'wait')
                    SQL) >= $came
            ) {
                return;
            }
            usleep(50_000);
        }
        self::fail('Too few came in time.');
    }
}
