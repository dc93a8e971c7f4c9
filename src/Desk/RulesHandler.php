<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;
use MintDoor\Core\People\NumberFormat;
use MintDoor\Core\People\NumberReading;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Roles\Affected;
use MintDoor\Core\Roles\Holders;
use MintDoor\Core\Roles\Role;
use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roles\RuleChange;
use MintDoor\Core\Roles\RuleLaws;
use MintDoor\Core\Roles\RuleProblem;
use MintDoor\Core\Roles\Rules;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\History\History;
use MintDoor\Roles\Roles;
use MintDoor\Roles\RulesCodec;
use MintDoor\Roster\Enrollments;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Row;

/** Says whom other rules would affect, and puts them in force. */
final readonly class RulesHandler
{
    public function __construct(
        private Connection $db,
        private Roles $roles,
        private Enrollments $enrollments,
        private PlatformClock $clock,
        private History $history,
    ) {}

    /** @throws Problem of type `Invalid` when something in it is not understood */
    public function read(RulesRequest $request): Rules
    {
        $rules = RulesCodec::read($request->rules);
        $byCode = static fn(array $data): array => [
            ...$data,
            'roles' => array_column((array) ($data['roles'] ?? []), null, 'code'),
        ];
        if ($byCode($request->rules) != $byCode(RulesCodec::write($rules))) {
            throw Problem::field(
                '/rules',
                'not-understood',
                'Something in these rules is not known here. Look at the rules again and change them from there.',
            );
        }

        return $rules;
    }

    /**
     * What putting other rules in force would do. Changes nothing.
     *
     * @return array{problems: list<array<string, mixed>>, affected: list<array<string, mixed>>,
     *     numbers: list<array<string, mixed>>, sites: array<string, int>} schema `RulesPreview`
     */
    public function preview(Rules $after): array
    {
        $before = $this->roles->rules();
        $change = new RuleChange($before, $after);
        $touched = $change->roles();

        return [
            'problems' => array_map(
                static fn(RuleProblem $problem): array => [
                    'where' => $problem->where,
                    'code' => $problem->code,
                    'values' => (object) $problem->values,
                ],
                RuleLaws::check(
                    $before,
                    $after,
                    $this->holdersOfGone($before->roles, $after->roles),
                    $this->divisions(),
                ),
            ),
            'affected' => array_map(
                static fn(Affected $each): array => [
                    'permission' => $each->permission->value,
                    'gain' => $each->gain,
                    'people' => $each->people,
                    'sites' => $each->sites,
                ],
                [] === $touched ? [] : $change->affected($this->holders($touched, $change)),
            ),
            'numbers' => $before->numbers == $after->numbers ? [] : $this->numbers($after->numbers),
            'sites' => $this->sites($before, $after),
        ];
    }

    /**
     * Puts rules in force. Runs inside a transaction.
     *
     * @param callable(int): void $assertVersion called with the version that holds, under the lock
     *
     * @return array<string, mixed> schema `RulesPreview`, with the version that holds now
     *
     * @throws Problem of type `NotReady` when the laws of the rules do not allow it
     */
    public function apply(Rules $after, Caller $caller, callable $assertVersion): array
    {
        // Every site is locked: whoever changes people in one reads the rules again under its lock.
        $this->db->executeStatement('UPDATE site SET roster_version = roster_version + 1');
        $this->roles->reset();
        $before = $this->roles->rules();
        $version = $this->roles->version();
        $assertVersion($version);
        $preview = $this->preview($after);
        if ([] !== $preview['problems']) {
            throw new Problem(
                ProblemType::NotReady,
                'These rules cannot be: see what is wrong with them.',
                more: ['problems' => $preview['problems']],
            );
        }
        if (RulesCodec::write($after) == RulesCodec::write($before)) {
            return [...$preview, 'version' => $version];
        }
        $this->db->insert(
            'rule_book',
            [
                'version' => $version + 1,
                'made_at' => Instant::toSql($this->clock->instant()),
                'made_by' => Id::binary($caller->id),
                'settings' => json_encode(RulesCodec::write($after), \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE),
            ],
            ['made_by' => ParameterType::BINARY],
        );
        $this->roles->reset();
        $this->restate($before->roles, $after->roles);
        $this->history->write(History::PLATFORM, $caller, [
            ['rules-changed', ['version' => $version + 1, 'before' => $version]],
        ]);

        return [...$preview, 'version' => $version + 1];
    }

    /**
     * People who hold roles or will, in all sites, by role; looked for only where roles would go.
     *
     * @return array<string, int>
     */
    private function holdersOfGone(RoleBook $before, RoleBook $after): array
    {
        $gone = array_values(
            array_filter(
                array_map(static fn($role): string => $role->code, $before->all()),
                static fn(string $code): bool => null === $after->find($code),
            ),
        );
        $holders = [];
        foreach ($gone as $code) {
            $found = $this->db->fetchOne(
                <<<'SQL'
                    SELECT COUNT(DISTINCT site_id, person_id)
                    FROM enrollment_segment
                    WHERE until_at > ? AND state IN (?) AND CONCAT(' ', roles, ' ') LIKE ?
                    SQL,
                [Instant::toSql($this->clock->instant()), State::valuesHere(), '% '.$code.' %'],
                [1 => ArrayParameterType::STRING],
            );
            $holders[$code] = is_numeric($found) ? (int) $found : 0;
        }

        return $holders;
    }

    /**
     * Everybody who holds one of some roles and is here. Who they are is only asked where the answer depends on it: a
     * role with bands means other things for other people.
     *
     * @param non-empty-list<string> $touched codes of roles
     *
     * @return iterable<Holders>
     */
    private function holders(array $touched, RuleChange $change): iterable
    {
        $now = Instant::toSql($this->clock->instant());
        $banded =
            []
            !== array_filter(
                [...$change->before->roles->all(), ...$change->after->roles->all()],
                static fn(Role $role): bool => [] !== $role->bands && \in_array($role->code, $touched, true),
            );
        $whose = $banded ? 'p.kind, p.level, d.code' : "'staff', NULL, ''";
        $rows = $this->db->iterateNumeric(
            'SET STATEMENT join_cache_level = 8, join_buffer_size = 33554432, join_buffer_space_limit = 67108864, '
                .'tmp_memory_table_size = 67108864, max_heap_table_size = 67108864 FOR SELECT g.site_id, g.roles, '
                .$whose
                .', COUNT(*) AS people FROM enrollment_segment g'
                .($banded
                    ? ' STRAIGHT_JOIN person p ON p.id = g.person_id JOIN division d ON d.id = p.division_id'
                    : '')
                .'
             WHERE g.from_at <= ? AND g.until_at > ? AND g.state IN (?) AND ('
                .implode(' OR ', array_fill(0, \count($touched), "CONCAT(' ', g.roles, ' ') LIKE ?"))
                .')
             GROUP BY g.site_id, g.roles'
                .($banded ? ', p.kind, p.level, d.code' : ''),
            [
                $now,
                $now,
                State::valuesHere(),
                ...array_map(static fn(string $code): string => '% '.$code.' %', $touched),
            ],
            [2 => ArrayParameterType::STRING],
        );
        $people = [];
        foreach ($rows as $columns) {
            $row = new Row(array_combine(['site', 'roles', 'kind', 'level', 'division', 'people'], $columns));
            $person = $people[$row->string('kind').$row->string('level').$row->string('division')] ??= new Person(
                '',
                PersonKind::from($row->string('kind')),
                $row->string('division'),
                $row->intOrNull('level'),
            );
            yield new Holders($row->string('site'), $row->list('roles'), $person, $row->int('people'));
        }
    }

    /**
     * How many numbers of the directory are written as each format has it.
     *
     * @param list<NumberFormat> $formats
     *
     * @return list<array{name: string, fit: int, not: int, example: ?string}>
     */
    private function numbers(array $formats): array
    {
        $fit = $not = array_fill(0, \count($formats), 0);
        $example = [];
        foreach (
            $this->db->iterateNumeric('SELECT kind, number FROM person WHERE number IS NOT NULL') as [$kind, $number]
        ) {
            foreach ($formats as $index => $format) {
                if (\in_array(PersonKind::tryFrom(\is_string($kind) ? $kind : ''), $format->kinds, true)) {
                    $number = \is_string($number) ? $number : '';
                    if (NumberReading::Fits === $format->read($number)) {
                        ++$fit[$index];
                    } else {
                        ++$not[$index];
                        $example[$index] ??= $number;
                    }
                }
            }
        }

        return array_map(
            static fn(NumberFormat $format, int $index): array => [
                'name' => $format->name,
                'fit' => $fit[$index] ?? 0,
                'not' => $not[$index] ?? 0,
                'example' => $example[$index] ?? null,
            ],
            $formats,
            array_keys($formats),
        );
    }

    /** @return array{overSeats: int, overLeads: int} sites that have more than a limit would allow them */
    private function sites(Rules $before, Rules $after): array
    {
        $count = function (bool $asked, string $sql, array $parameters): int {
            $found = $asked ? $this->db->fetchOne($sql, $parameters) : 0;

            return is_numeric($found) ? (int) $found : 0;
        };
        $now = Instant::toSql($this->clock->instant());

        return [
            'overSeats' => $count(
                $after->limits->seats < $before->limits->seats,
                'SELECT COUNT(*) FROM site WHERE seats > ?',
                [$after->limits->seats],
            ),
            'overLeads' => $count(
                $after->limits->leads < $before->limits->leads,
                <<<'SQL'
                    SELECT COUNT(*)
                    FROM (SELECT g.site_id FROM enrollment_segment g JOIN site s ON s.id = g.site_id
                        WHERE s.lead_limit IS NULL AND g.leads = 1 AND g.from_at <= ?
                        AND g.until_at > ? GROUP BY g.site_id HAVING COUNT(*) > ?) over_limit
                    SQL,
                [$now, $now, $after->limits->leads],
            ),
        ];
    }

    /** @return list<string> */
    private function divisions(): array
    {
        return array_map(
            static fn(Row $row): string => $row->string('code'),
            Row::all($this->db->fetchAllAssociative('SELECT code FROM division')),
        );
    }

    /**
     * What segments keep of roles (the highest, its rank, whether it is listed) follows the rules; seats and leads do
     * not change for a role.
     */
    private function restate(RoleBook $before, RoleBook $after): void
    {
        $shape = static fn(RoleBook $book): array => array_map(
            static fn($role): array => [$role->code, $role->rank, $role->listed],
            $book->all(),
        );
        if ($shape($before) === $shape($after)) {
            return;
        }
        foreach (Row::all($this->db->fetchAllAssociative('SELECT DISTINCT roles FROM enrollment_segment')) as $row) {
            $roles = $row->list('roles');
            if (\count($before->pick($roles)) !== \count($after->pick($roles))) {
                $this->computeAnew($row->string('roles'));
                continue;
            }
            $columns = static fn(RoleBook $book): array => array_intersect_key(
                Enrollments::columns(
                    new Segment(new Window(0, 1), State::Current, $roles, true, Time::BEGINNING),
                    $book,
                ),
                ['role' => 1, 'rank' => 1, 'listed' => 1],
            );
            if ($columns($before) !== $columns($after)) {
                $this->db->executeStatement(
                    'UPDATE enrollment_segment SET role = ?, `rank` = ?, listed = ? WHERE roles = ?',
                    [...array_values($columns($after)), $row->string('roles')],
                );
            }
        }
    }

    /** Roles that come or go change seats and leads of those who once held them. */
    private function computeAnew(string $roles): void
    {
        $people = [];
        foreach (
            Row::all(
                $this->db->fetchAllAssociative(
                    'SELECT DISTINCT site_id, person_id FROM enrollment_segment WHERE roles = ?',
                    [$roles],
                ),
            ) as $row
        ) {
            $people[$row->id('site_id')][] = $row->id('person_id');
        }
        foreach ($people as $site => $ids) {
            $this->enrollments->restate($site, $ids);
        }
    }
}
