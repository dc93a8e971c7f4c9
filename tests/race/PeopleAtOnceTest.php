<?php

declare(strict_types=1);

namespace MintDoor\Tests\Race;

use MintDoor\Shared\Id;

/** People who are corrected, merged, erased, renamed and let in at the same moment, over real HTTP. */
final class PeopleAtOnceTest extends RaceCase
{
    /** @var array<string, string> */
    private array $cookies = [];

    /** @var list<string> */
    private array $sites = [];

    protected function setUp(): void
    {
        parent::setUp();
        $this->sites = [$this->site];
        for ($n = 1; $n < 5; ++$n) {
            $this->sites[] = $site = $this->platform->site(
                "RACE$n",
                "Race $n",
                'course',
                $this->division,
                $this->term,
                null,
                100,
                self::NOW - 1_000,
            );
            $this->platform->letIn($site, $this->people['anna'], 'lead-tutor', self::NOW - 1_000);
        }
        $this->platform->write();
        $this->db->executeStatement('UPDATE site SET seats = 100');
        $this->cookies = $this->signedIn('ingrid', 'anna');
        $this->serve();
    }

    public function testOfTenCorrectionsOfOneVersionOneIsMade(): void
    {
        $requests = [];
        for ($n = 0; $n < 10; ++$n) {
            $requests[] = $this->correction('learner0', ['given' => "Given$n"]);
        }
        self::assertSame([200 => 1, 412 => 9], self::statuses($this->together($requests)));
    }

    public function testOneAddressGoesToOneAndTheOthersAreToldSo(): void
    {
        for ($n = 0; $n < 6; ++$n) {
            $requests[] = $this->correction("learner$n", ['email' => 'family@example.org']);
        }
        $answers = $this->together($requests);
        self::assertSame([200 => 1, 422 => 5], self::statuses($answers));
        foreach ($answers as [$status, $answer]) {
            self::assertTrue(200 === $status || '/email' === $answer['errors'][0]['pointer']);
        }
    }

    public function testARosterNeverKeepsANameOfBefore(): void
    {
        for ($round = 0; $round < 6; ++$round) {
            $version = $round + 1;
            $requests = [$this->correction('learner1', ['family' => "Renamed$round"], $version)];
            foreach ($this->sites as $site) {
                $requests[] = $this->change($site, 'learner1', 0 === $round % 2 ? 'let-in' : 'remove');
            }
            shuffle($requests);
            self::assertSame([200 => 6], self::statuses($this->together($requests)));
        }
        self::assertSame(
            ['Renamed5, Learner1'],
            $this->db->fetchFirstColumn('SELECT DISTINCT sort_name FROM enrollment_segment WHERE person_id = ?', [
                Id::binary($this->people['learner1']),
            ]),
        );
        self::assertSame(
            [],
            $this->db->fetchFirstColumn(
                'SELECT 1 FROM enrollment e JOIN person p ON p.id = e.person_id WHERE e.terms <> p.terms',
            ),
        );
    }

    public function testWhoIsMergedOrErasedIsInNoSiteWhoeverLetsThemInMeanwhile(): void
    {
        for ($n = 6; $n < 16; ++$n) {
            $this->people["learner$n"] = $this->platform->person(
                'learner',
                $this->division,
                "Learner$n",
                'Racer',
                7,
                login: "learner$n",
            );
        }
        $this->platform->write();
        for ($n = 6; $n < 16; ++$n) {
            $goes =
                0 === $n % 2
                    ? [
                        '/merges',
                        ['stays' => $this->people['learner5'], 'goes' => $this->people["learner$n"], 'apply' => true],
                    ]
                    : ['/people/'.$this->people["learner$n"].'/erasure', ['apply' => true]];
            $requests = [[$this->cookies['ingrid'], 'POST', ...$goes]];
            foreach ($this->sites as $site) {
                $requests[] = $this->change($site, "learner$n", 'let-in');
            }
            shuffle($requests);
            $statuses = self::statuses($this->together($requests));
            self::assertSame([], array_diff_key($statuses, array_flip([200, 403, 404, 409])), print_r($statuses, true));
        }
        self::assertSame(
            0,
            (int) $this->db->fetchOne(
                "SELECT COUNT(*) FROM enrollment_segment g JOIN person p ON p.id = g.person_id
             WHERE p.gone IS NOT NULL AND g.state IN ('current', 'upcoming', 'paused') AND g.until_at > '2999-01-01'",
            ),
        );
    }

    /** Lists that go through the same sites and people, half of them from the other end, all get through, each once. */
    public function testTwelveListsInOppositeOrdersAllGetThrough(): void
    {
        $people = [];
        for ($n = 0; $n < 25; ++$n) {
            $people[] = $this->platform->person('learner', $this->division, "Some$n", 'Racer', 7);
        }
        $this->platform->write();
        $waiting = [];
        for ($n = 0; $n < 12; ++$n) {
            $draft = ['kind' => 'people', 'work' => ['sites' => []], 'title' => "List $n"];
            [[, $changeList]] = $this->together([[$this->cookies['anna'], 'POST', '/change-lists', $draft]]);
            $turned = static fn(array $some): array => 0 === $n % 2 ? $some : array_reverse($some);
            $each =
                ['people' => $turned($people), 'sites' => $turned($this->sites), 'sure' => true]
                + (0 === $n % 3
                    ? ['verb' => 'change-role', 'role' => 'day-guest']
                    : ['verb' => 'let-in', 'role' => 'learner']);
            $path = "/change-lists/{$changeList['id']}/apply";
            $key = "Idempotency-Key: opposite-list-$n";
            $waiting[] = [$this->cookies['anna'], 'POST', $path, ['each' => $each], [$key]];
        }
        // As the pages do: whoever was too busy is asked again, under the same key.
        for ($try = 0; [] !== $waiting && $try < 10; ++$try) {
            $answers = $this->together($waiting);
            $others = array_diff_key(self::statuses($answers), array_flip([200, 503]));
            self::assertSame([], $others, print_r($answers, true));
            $waiting = array_values(
                array_filter($waiting, static fn(int $n): bool => 200 !== $answers[$n][0], \ARRAY_FILTER_USE_KEY),
            );
        }
        self::assertSame([], $waiting);
        self::assertSame(
            12,
            (int) $this->db->fetchOne(
                <<<'SQL'
                    SELECT COUNT(*)
                    FROM change_list h
                    WHERE h.state = 'applied' AND h.kind = 'people' AND h.done = h.total
                        AND h.applied = (SELECT COUNT(*) FROM change_line l WHERE l.change_list_id = h.id)
                    SQL,
            ),
        );
        self::assertSame(
            0,
            (int) $this->db->fetchOne(
                <<<'SQL'
                    SELECT COUNT(*)
                    FROM (SELECT 1 FROM access_grant WHERE live = 1 GROUP BY site_id, person_id HAVING COUNT(*) > 1) x
                    SQL,
            ),
        );
        self::assertSame(
            0,
            (int) $this->db->fetchOne(
                'SELECT COUNT(*) FROM site s
             WHERE s.log_sequence <> (SELECT COUNT(*) FROM history_entry l WHERE l.site_id = s.id)',
            ),
        );
    }

    public function testTheHistoryOfThePlatformIsNumberedWithoutAGapHoweverManyWrite(): void
    {
        $requests = [];
        for ($n = 0; $n < 36; ++$n) {
            $person = $this->people['learner'.$n % 6];
            $body = ['open' => 0 === $n % 4, 'apply' => true];
            $requests[] = [$this->cookies['ingrid'], 'PUT', "/people/$person/account", $body];
            $requests[] = [$this->cookies['ingrid'], 'DELETE', "/people/$person/sessions"];
        }
        self::assertSame([200 => 72], self::statuses($this->together($requests)));
        $entries = $this->db->fetchFirstColumn(<<<'SQL'
            SELECT sequence
            FROM history_entry
            WHERE site_id = ?
            ORDER BY sequence
            SQL, [
            Id::binary(Id::NONE),
        ]);
        self::assertGreaterThan(36, \count($entries));
        self::assertSame(range(1, \count($entries)), array_map(intval(...), $entries));
    }

    /**
     * @param array<string, mixed> $facts
     *
     * @return array{string, string, string, array<string, mixed>, list<string>}
     */
    private function correction(string $who, array $facts, int $version = 1): array
    {
        $facts += ['given' => ucfirst($who), 'family' => 'Racer', 'level' => 7];

        return [$this->cookies['ingrid'], 'PUT', '/people/'.$this->people[$who], $facts, ["If-Match: \"$version\""]];
    }

    /** @return array{string, string, string, array<string, mixed>} */
    private function change(string $site, string $who, string $verb): array
    {
        $line = ['person' => $this->people[$who], 'verb' => $verb] + ('let-in' === $verb ? ['role' => 'learner'] : []);

        return [$this->cookies['anna'], 'POST', "/sites/$site/change-lists", ['lines' => [$line]]];
    }

    /**
     * @param list<array{int, array<string, mixed>, float}> $answers
     *
     * @return array<int, int> how often each status came
     */
    private static function statuses(array $answers): array
    {
        $statuses = array_count_values(array_column($answers, 0));
        ksort($statuses);

        return $statuses;
    }
}
