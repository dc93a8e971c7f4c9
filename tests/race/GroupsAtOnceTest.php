<?php

declare(strict_types=1);

namespace MintDoor\Tests\Race;

/** Learners who choose their groups at the same moment, over real HTTP. */
final class GroupsAtOnceTest extends RaceCase
{
    private const LEARNERS = 40;

    private string $split = '';

    /** @var list<string> ids */
    private array $groups = [];

    /** @var array<string, string> by login */
    private array $cookies = [];

    protected function setUp(): void
    {
        parent::setUp();
        for ($n = 6; $n < self::LEARNERS; ++$n) {
            $login = "learner$n";
            $this->people[$login] = $this->platform->person(
                'learner',
                $this->division,
                "Learner$n",
                'Racer',
                7,
                login: $login,
            );
        }
        foreach (range(0, self::LEARNERS - 1) as $n) {
            $this->platform->letIn($this->site, $this->people["learner$n"], 'learner', self::NOW - 1_000);
        }
        $groups = array_fill_keys(array_map(static fn(int $n): string => "Group $n", range(1, 8)), []);
        $this->split = $this->platform->split($this->site, 'Teams', $groups, [1, 4], $this->people['anna']);
        $this->platform->write();
        $this->db->executeStatement('UPDATE site SET seats = 100');
        $this->db->executeStatement(
            "UPDATE group_split SET opens_at = '2026-01-01', closes_at = '2027-01-01', founds = 1"
        );
        $found = array_map(strval(...), $this->db->fetchFirstColumn('SELECT HEX(id) FROM site_group ORDER BY place'));
        $this->groups = array_map(static fn(string $hex): string => strtolower(
            (string) preg_replace('/^(.{8})(.{4})(.{4})(.{4})(.{12})$/', '$1-$2-$3-$4-$5', $hex),
        ), $found);
        $learners = array_map(static fn(int $n): string => "learner$n", range(0, self::LEARNERS - 1));
        $this->cookies = $this->signedIn(...$learners);
        $this->serve();
    }

    /** Forty people for thirty-two places: each place is given once, and the other eight are told. */
    public function testEveryPlaceIsTakenOnce(): void
    {
        $into = [];
        foreach (array_keys($this->cookies) as $n => $login) {
            $into[] = $this->choice((string) $login, $this->groups[$n % 8]);
        }
        self::assertSame([200 => 32, 409 => 8], $this->statuses($into));
        self::assertSame(array_fill(0, 8, 4), $this->held());
    }

    /** Each wants to be in two places at once, by two devices; and all want to go on at the same time. */
    public function testNobodyIsInTwoGroupsHoweverManyDevicesTheyHave(): void
    {
        for ($round = 0; $round < 3; ++$round) {
            $into = [];
            foreach (array_keys($this->cookies) as $n => $login) {
                $into[] = $this->choice((string) $login, $this->groups[($n + $round) % 8]);
                $into[] = $this->choice((string) $login, 0 === $n % 5 ? null : $this->groups[($n + 3) % 8]);
            }
            shuffle($into);
            self::assertSame([], array_diff_key($this->statuses($into), [200 => 0, 409 => 0]));
            self::assertLessThanOrEqual(4, max($this->held()));
            self::assertSame([], $this->db->fetchFirstColumn(
                'SELECT person_id FROM group_place WHERE live = 1 GROUP BY person_id HAVING COUNT(*) > 1',
            ));
        }
    }

    /** Of twenty who found a group of one name, one does. */
    public function testAGroupOfOneNameIsFoundedOnce(): void
    {
        $found = [];
        foreach (\array_slice($this->cookies, 0, 20) as $cookie) {
            $found[] = [$cookie, 'POST', '/me/groups/'.$this->split.'/found', ['name' => 'Red']];
        }
        self::assertSame([200 => 1, 422 => 19], $this->statuses($found));
    }

    /** @return array{string, string, string, array<string, mixed>} */
    private function choice(string $login, ?string $group): array
    {
        return [$this->cookies[$login], 'PUT', '/me/groups/'.$this->split, ['group' => $group]];
    }

    /**
     * @param list<array{0: string, 1: string, 2: string, 3: array<string, mixed>}> $requests
     *
     * @return array<int, int> how often each status came
     */
    private function statuses(array $requests): array
    {
        $statuses = array_count_values(array_column($this->together($requests), 0));
        ksort($statuses);

        return $statuses;
    }

    /** @return non-empty-list<int> how many each group has */
    private function held(): array
    {
        $held = $this->db->fetchFirstColumn(
            'SELECT COUNT(l.id) FROM site_group g LEFT JOIN group_place l ON l.group_id = g.id AND l.live = 1
             GROUP BY g.id ORDER BY g.place',
        );

        return [] === $held ? [0] : array_map(intval(...), array_values($held));
    }
}
