<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\People\NumberFormat;
use MintDoor\Core\People\NumberReading;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Platform\Settings;
use MintDoor\Core\Platform\SettingsProblem;
use MintDoor\Core\Roles\Affected;
use MintDoor\Core\Roles\Holders;
use MintDoor\Core\Roles\Role;
use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roles\RuleChange;
use MintDoor\Core\Roles\RuleLaws;
use MintDoor\Core\Roles\Rules;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\Desk\Repository\RulesEffect;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\Platform\Repository\Divisions;
use MintDoor\Roles\Repository\RuleBooks;
use MintDoor\Roles\Roles;
use MintDoor\Roles\RulesCodec;
use MintDoor\Roster\Repository\Enrollments;
use MintDoor\Shared\Caller;
use MintDoor\Shared\IfMatch;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Sites\Repository\Sites;

/** Says whom other rules would affect, and puts them in force. */
final readonly class RulesHandler
{
    public function __construct(
        private RulesEffect $effect,
        private RuleBooks $books,
        private Divisions $divisions,
        private Sites $sites,
        private Roles $roles,
        private Enrollments $enrollments,
        private PlatformClock $clock,
        private History $history,
    ) {}

    /** @throws Problem of type `Invalid` when something in it is not understood */
    public function read(RulesRequest $request): Rules
    {
        $data = $request->rules;
        // Of a file that was written before kinds of sites had more than a name.
        $unsaid = ['glyph' => '', 'seats' => null, 'listed' => true, 'roles' => [], 'questions' => []];
        if (isset($data['siteKinds']) && \is_array($data['siteKinds'])) {
            $data['siteKinds'] = array_map(
                static fn(mixed $kind): mixed => \is_array($kind) ? [...$unsaid, ...$kind] : $kind,
                $data['siteKinds'],
            );
        }
        $rules = RulesCodec::read($data);
        $byCode = static fn(array $data): array => [
            ...$data,
            'roles' => array_column((array) ($data['roles'] ?? []), null, 'code'),
        ];
        if ($byCode($data) != $byCode(RulesCodec::write($rules))) {
            throw Problem::field('/rules', 'not-understood', 'desk.something-these-rules-not');
        }

        return $rules;
    }

    /**
     * What putting other rules in force would do. Changes nothing.
     *
     * @param ?Settings $settings that are put in force with them; null for those that hold
     */
    public function preview(Rules $after, ?Settings $settings = null): RulesPreview
    {
        $before = $this->asSet();
        $tree = $settings->divisions ?? $this->divisions->tree();
        $change = new RuleChange($before->over($tree), $after->over($tree));
        // Nobody holds a role that is not there yet, whatever it is called.
        $touched = array_values(
            array_filter($change->roles(), static fn(string $code): bool => null !== $before->roles->find($code)),
        );

        return new RulesPreview(
            problems: array_map(
                static fn(SettingsProblem $problem): array => [
                    'where' => $problem->where,
                    'code' => $problem->code,
                    'values' => (object) $problem->values,
                ],
                RuleLaws::check(
                    $before,
                    $after,
                    $this->holdersOfGone($before->roles, $after->roles),
                    array_column($tree->all(), 'code'),
                    $before->siteKinds == $after->siteKinds ? [] : $this->sites->ofEachKind(),
                ),
            ),
            affected: array_map(
                static fn(Affected $each): array => [
                    'permission' => $each->permission->value,
                    'gain' => $each->gain,
                    'people' => $each->people,
                    'sites' => $each->sites,
                ],
                [] === $touched ? [] : $change->affected($this->holders($touched, $change)),
            ),
            numbers: $before->numbers == $after->numbers ? [] : $this->numbers($after->numbers),
            sites: $this->sites($before, $after),
            version: $this->roles->version(),
        );
    }

    /** Nobody else changes rules, or people by them, before the transaction ends. */
    public function lock(): void
    {
        $this->effect->lockAllSites();
        $this->roles->reset();
    }

    /**
     * Puts rules in force. Runs inside a transaction.
     *
     * @param ?IfMatch $seen the version that the caller saw, held against the one that holds, under the lock; null
     *                       where what holds was looked at under it
     *
     * @throws Problem of type `NotReady` when the laws of the rules do not allow it
     */
    public function apply(Rules $after, Caller $caller, ?IfMatch $seen): RulesPreview
    {
        $this->lock();
        $before = $this->asSet();
        $version = $this->roles->version();
        $seen?->assert($version);
        $preview = $this->preview($after);
        if ([] !== $preview->problems) {
            throw new Problem(
                ProblemType::NotReady,
                'desk.these-rules-cannot-see',
                more: ['problems' => $preview->problems],
            );
        }
        if (RulesCodec::write($after) == RulesCodec::write($before)) {
            return $preview;
        }
        $this->books->putInForce(
            $version + 1,
            $this->clock->instant(),
            $caller->id,
            RulesCodec::write($after),
        );
        $this->roles->reset();
        $this->restate($before->roles, $after->roles);
        $this->history->write(
            History::PLATFORM,
            $caller,
            new Happening('rules-changed', ['version' => $version + 1, 'before' => $version]),
        );

        return $preview->inForce($version + 1);
    }

    /** The rules as somebody set them: what divisions have from those above them does not stand there. */
    public function asSet(): Rules
    {
        return RulesCodec::read($this->books->last()->settings ?? []);
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
            $holders[$code] = $this->effect->holdersOf($code, State::valuesHere(), $this->clock->instant());
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
        $banded =
            []
            !== array_filter(
                [...$change->before->roles->all(), ...$change->after->roles->all()],
                static fn(Role $role): bool => [] !== $role->bands && \in_array($role->code, $touched, true),
            );
        $alike = $banded ? $this->alike($change, $touched) : [];
        if ($banded && [] === $alike) {
            return;
        }
        $anybody = new Person('', PersonKind::Staff, '');
        foreach ($this->effect->holders($touched, $alike, State::valuesHere(), $this->clock->instant()) as $row) {
            yield new Holders(
                $row->string('site'),
                $row->list('roles'),
                $alike[$row->int('what')]->of[0] ?? $anybody,
                $row->int('people'),
            );
        }
    }

    /**
     * People put together to whom every role means the same before, and the same after; without those to whom no role
     * means anything else than before.
     *
     * @param list<string> $touched codes of roles
     *
     * @return list<AlikeToRules>
     */
    private function alike(RuleChange $change, array $touched): array
    {
        // By code, so that a role that comes or goes means nothing on one side.
        $means = static fn(RoleBook $book, Person $person): array => array_column(
            array_map(
                static fn(Role $role): array => ['code' => $role->code, 'means' => $role->permissionsOf($person)],
                $book->all(),
            ),
            'means',
            'code',
        );
        $touched = array_flip($touched);
        $alike = [];
        foreach ($this->effect->kindsOfPeople() as $person) {
            $before = $means($change->before->roles, $person);
            $after = $means($change->after->roles, $person);
            if (array_intersect_key($before, $touched) !== array_intersect_key($after, $touched)) {
                $alike[serialize([$before, $after])][] = $person;
            }
        }

        return array_map(static fn(array $people): AlikeToRules => new AlikeToRules($people), array_values($alike));
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
        foreach ($this->effect->numbers() as $row) {
            $kind = PersonKind::tryFrom($row->string('kind'));
            $number = $row->string('number');
            foreach ($formats as $index => $format) {
                if (\in_array($kind, $format->kinds, true)) {
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
        $limits = $after->limits;
        $now = $this->clock->instant();

        return [
            'overSeats' =>
                $limits->seats < $before->limits->seats ? $this->effect->sitesWithMoreSeats($limits->seats) : 0,
            'overLeads' =>
                $limits->leads < $before->limits->leads ? $this->effect->sitesWithMoreLeads($limits->leads, $now) : 0,
        ];
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
        foreach ($this->effect->combinations() as $combination) {
            $roles = array_values(array_filter(explode(' ', $combination)));
            if (\count($before->pick($roles)) !== \count($after->pick($roles))) {
                $this->computeAnew($combination);
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
                ['role' => $role, 'rank' => $rank, 'listed' => $listed] = $columns($after);
                $this->effect->reshape($combination, (string) $role, (int) $rank, (bool) $listed);
            }
        }
    }

    /** Roles that come or go change seats and leads of those who once held them. */
    private function computeAnew(string $roles): void
    {
        foreach ($this->effect->bearersOf($roles) as $site => $ids) {
            $this->enrollments->restate($site, $ids);
        }
    }
}
