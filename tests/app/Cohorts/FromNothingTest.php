<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Cohorts;

use MintDoor\Demo\Dice;

/** Whatever happened, in whatever order: looking at everything as if nothing were known finds the same. */
final class FromNothingTest extends CohortsCase
{
    private const PEOPLE = ['ada', 'bo', 'cem', 'dana', 'newcomer'];

    private const LABELS = ['strings', 'brass', 'on leave'];

    /** @var list<array<string, mixed>> */
    private array $cohorts = [];

    public function testAnyHistoryGivesWhatComputingFromNothingDoes(): void
    {
        for ($seed = 0; $seed < 8; ++$seed) {
            $dice = new Dice($seed);
            $this->play($dice, 16);
            $this->keep();
            $this->assertInStep();
            $this->assertRostersAreWanted();
        }
    }

    public function testTheOrderOfEventsDoesNotMatter(): void
    {
        $this->cohorts[] = $cohort = $this->cohort(['rule' => self::strings()]);
        $this->connect($cohort);
        $this->label('strings', ['ada', 'bo']);
        $this->keep();
        $this->label('on leave', ['ada']);
        $this->label('strings', ['cem']);
        $one = [$this->members($cohort), $this->learners()];
        $this->label('on leave', ['ada'], false);
        $this->label('strings', ['cem'], false);
        $this->keep();
        $this->label('strings', ['cem']);
        $this->keep();
        $this->label('on leave', ['ada']);
        $this->keep();
        self::assertSame([['bo', 'cem'], ['bo', 'cem']], [$this->members($cohort), $this->learners()]);
        self::assertNotSame($one, [$this->members($cohort), $this->learners()], 'Nobody had looked yet.');
        $this->assertInStep();
    }

    private function play(Dice $dice, int $turns): void
    {
        for ($turn = 0; $turn < $turns; ++$turn) {
            $person = $dice->one(self::PEOPLE);
            match ($dice->below(8)) {
                0 => $this->mark($dice, $person),
                1 => $this->mark($dice, $dice->one(self::PEOPLE)),
                2 => $this->make($dice),
                3 => $this->follow($dice),
                4 => $this->join($dice),
                5 => $this->hand($dice, $person),
                6 => $this->part($dice),
                default => $this->keep(),
            };
        }
    }

    private function mark(Dice $dice, string $person): void
    {
        $label = $dice->one(self::LABELS);
        $bears = $this->db()->fetchOne(
            'SELECT 1 FROM person_label pl JOIN label l ON l.id = pl.label_id WHERE l.name = ? AND pl.person_id = ?',
            [$label, $this->binary($this->ids[$person])],
        );
        $this->label($label, [$person], false === $bears);
    }

    private function make(Dice $dice): void
    {
        if (\count($this->cohorts) < 8) {
            $people = array_map(fn(string $name): string => $this->ids[$name], $dice->some(self::PEOPLE, 2));
            $name = 'Cohort '.\count($this->cohorts);
            $what = $dice->chance(50) ? ['people' => $people] : ['rule' => $this->rule($dice)];
            $this->cohorts[] = $this->cohort(['name' => $name, ...$what]);
        }
    }

    private function follow(Dice $dice): void
    {
        $ruled = array_values(array_filter($this->cohorts, static fn(array $one): bool => 'rule' === $one['kind']));
        if ([] !== $ruled) {
            $one = $this->call('admin', 'GET', '/cohorts/'.$dice->one($ruled)['id']);
            $body = ['name' => $one['name'], 'division' => 'seniors', 'rule' => $this->rule($dice)];
            $tag = ['If-Match' => '"'.$one['version'].'"'];
            // A ring is refused.
            $this->call('admin', 'PUT', '/cohorts/'.$one['id'], $body, null, $tag);
        }
    }

    private function join(Dice $dice): void
    {
        if ([] !== $this->cohorts) {
            $body = [
                'sites' => [$this->ids[$dice->one(['other', 'site'])]],
                'role' => 'learner',
                'cohorts' => [$dice->one($this->cohorts)['id']],
                'leaves' => $dice->one(['at-once', 'term']),
                'apply' => true,
            ];
            $this->call('lead', 'POST', '/cohort-links', $body, null);
        }
    }

    private function part(Dice $dice): void
    {
        $links = $this->call('lead', 'GET', '/sites/'.$this->ids['other'].'/cohort-links')['items'];
        if ([] !== $links) {
            $link = $links[$dice->below(\count($links))]['id'];
            $number = $this->call('lead', 'POST', "/cohort-links/$link/end", ['apply' => false])['asks'];
            $this->call('lead', 'POST', "/cohort-links/$link/end", ['number' => $number, 'apply' => true]);
        }
    }

    private function hand(Dice $dice, string $person): void
    {
        $verb = $dice->one(['let-in', 'remove', 'bring-back', 'pause', 'resume', 'block', 'unblock']);
        $line = ['person' => $this->ids[$person], 'verb' => $verb, 'role' => 'let-in' === $verb ? 'learner' : null];
        $this->call('lead', 'POST', '/sites/'.$this->ids['other'].'/change-lists', ['lines' => [$line]], null);
    }

    /** @return array<string, mixed> */
    private function rule(Dice $dice): array
    {
        $parts = [
            self::labelled($dice->one(self::LABELS)),
            ['kind' => 'not', 'parts' => [self::labelled('on leave')]],
            ['kind' => 'in', 'site' => $this->ids['site'], 'section' => null, 'role' => 'learner'],
        ];
        if ([] !== $this->cohorts) {
            $parts[] = ['kind' => 'cohort', 'cohort' => $dice->one($this->cohorts)['id']];
        }

        return ['kind' => $dice->one(['all', 'any']), 'parts' => $dice->some($parts, 2)];
    }

    /** @return array<string, mixed> */
    private static function strings(): array
    {
        $leave = ['kind' => 'not', 'parts' => [self::labelled('on leave')]];

        return ['kind' => 'all', 'parts' => [self::labelled('strings'), $leave]];
    }

    /** Whoever belongs to a cohort is in the sites it is connected to, unless staff took them out or block them. */
    private function assertRostersAreWanted(): void
    {
        $missing = $this->db()->fetchFirstColumn(
            "SELECT CONCAT(p.given_name, ' ', s.title)
             FROM cohort_link l
             JOIN door d ON d.id = l.door_id
             JOIN site s ON s.id = d.site_id
             JOIN cohort_member m ON m.cohort_id = l.cohort_id AND m.until_at > :now AND m.from_at <= :now
             JOIN person p ON p.id = m.person_id
             WHERE l.ended_at IS NULL
                AND NOT EXISTS (
                    SELECT 1 FROM enrollment_segment g
                    WHERE g.site_id = s.id AND g.person_id = m.person_id AND g.state IN ('current', 'paused')
                        AND g.from_at <= :now AND g.until_at > :now
                )
                AND NOT EXISTS (
                    SELECT 1 FROM enrollment_override o
                    WHERE o.site_id = s.id AND o.person_id = m.person_id AND o.until_at > :now
                        AND (o.kind = 'blocked' OR o.height > 0 AND o.kind IN ('withdrawn', 'undone'))
                )",
            ['now' => gmdate('Y-m-d H:i:s', $this->now())],
        );
        self::assertSame([], $missing);
    }

    private function binary(string $id): string
    {
        return (string) hex2bin(str_replace('-', '', $id));
    }
}
