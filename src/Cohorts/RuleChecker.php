<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use MintDoor\Cohorts\Repository\Cohorts;
use MintDoor\Core\Cohorts\Cohort;
use MintDoor\Core\Cohorts\Rule;
use MintDoor\Core\Cohorts\RuleKind;
use MintDoor\Core\Cohorts\Source;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Platform\OwnKind;
use MintDoor\Core\Roles\Permission;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\FieldErrors;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Said;

/** Rules as people send them: read, and held against what there is and what whoever writes them may know. */
final readonly class RuleChecker
{
    /** What is said of each thing that may be wrong. */
    private const SENTENCES = [
        'no-kind' => 'cohorts.rule-no-kind',
        'too-deep' => 'cohorts.rule-too-deep',
        'too-long' => 'cohorts.rule-too-long',
        'no-parts' => 'cohorts.rule-no-parts',
        'nobody-named' => 'cohorts.rule-nobody-named',
        'levels' => 'cohorts.rule-levels',
        'no-site' => 'cohorts.rule-no-site',
        'no-cohort' => 'cohorts.rule-no-cohort',
        'no-such-kind' => 'cohorts.rule-no-such-kind',
        'no-such-division' => 'cohorts.rule-no-such-division',
        'no-such-site' => 'cohorts.rule-no-such-site',
        'no-such-section' => 'cohorts.rule-no-such-section',
        'no-such-role' => 'cohorts.rule-no-such-role',
        'no-such-cohort' => 'cohorts.rule-no-such-cohort',
    ];

    public function __construct(
        private CohortRights $rights,
        private Cohorts $cohorts,
        private CohortBook $book,
        private PlatformSettings $settings,
        private Roles $roles,
        private Gate $gate,
    ) {}

    /**
     * @param array<array-key, mixed> $data     as it was sent
     * @param ?string                 $division code of the cohort's; null for the whole platform
     * @param string                  $cohort   id of it
     *
     * @throws Problem at the parts that are wrong, or naming the ring that it would close
     */
    public function read(array $data, ?string $division, string $cohort, Caller $caller): Rule
    {
        try {
            $rule = RuleCodec::read($data);
        } catch (WrongRule $wrong) {
            throw Problem::field('/rule'.$wrong->pointer, $wrong->reason, self::SENTENCES[$wrong->reason]);
        }
        $errors = new FieldErrors();
        $this->check($rule, 'rule', $caller, $errors);
        $errors->check();
        $ring = $this->book->webWith(new Cohort($cohort, CohortBook::within($division, $rule)))->circle();
        if ([] !== $ring) {
            throw Problem::field('/rule', 'circle', Said::with('cohorts.circle', ring: $this->named($ring, $caller)));
        }

        return $rule;
    }

    /**
     * The way round, as a sentence goes: what each leads to.
     *
     * @param list<Source> $ring
     */
    public function named(array $ring, Caller $caller): string
    {
        $names = array_map(fn(Source $source): string => $this->name($source, $caller), $ring);

        return implode(' → ', [...$names, $names[0] ?? '']);
    }

    private function name(Source $source, Caller $caller): string
    {
        if ('cohort' === $source->kind) {
            $cohort = $this->cohorts->one((string) $source->id);

            return null === $cohort || !$this->rights->uses($caller, $cohort) ? '…' : $cohort->name;
        }

        return $this->gate->ifThere((string) $source->id, $caller)?->row->string('title') ?? '…';
    }

    private function check(Rule $rule, string $pointer, Caller $caller, FieldErrors $errors): void
    {
        foreach ($rule->parts as $n => $part) {
            $this->check($part, "$pointer/parts/$n", $caller, $errors);
        }
        $wrong = match ($rule->kind) {
            RuleKind::Kinds => [] === array_diff($rule->names, $this->kinds()) ? null : 'no-such-kind',
            RuleKind::Divisions => $this->divisionsAre($rule->names) ? null : 'no-such-division',
            RuleKind::In => $this->inSite($rule, $caller),
            RuleKind::Cohort => $this->inCohort($rule, $caller),
            default => null,
        };
        if (null !== $wrong) {
            $errors->add($pointer, $wrong, self::SENTENCES[$wrong]);
        }
    }

    /** @return list<string> codes of the kinds of people there are */
    private function kinds(): array
    {
        return [
            ...array_map(static fn(PersonKind $kind): string => $kind->value, PersonKind::cases()),
            ...array_map(static fn(OwnKind $kind): string => $kind->code, $this->settings->read()->kinds),
        ];
    }

    /** @param list<string> $codes */
    private function divisionsAre(array $codes): bool
    {
        $tree = $this->settings->read()->divisions;

        return [] === array_filter($codes, static fn(string $code): bool => null === $tree->find($code));
    }

    private function inSite(Rule $rule, Caller $caller): ?string
    {
        $access = $this->gate->ifThere((string) $rule->site, $caller);

        return match (true) {
            null === $access || !self::seesAll($access) => 'no-such-site',
            null !== $rule->section && !isset($access->site->sections[$rule->section]) => 'no-such-section',
            null !== $rule->role && null === $this->roles->book()->find($rule->role) => 'no-such-role',
            default => null,
        };
    }

    /** Whether somebody sees everybody of a site: a rule that reads it tells them who is there. */
    public static function seesAll(SiteAccess $access): bool
    {
        return $access->may(Permission::SeeUnlisted) && null === $access->standing->sections;
    }

    private function inCohort(Rule $rule, Caller $caller): ?string
    {
        $other = $this->cohorts->one((string) $rule->cohort);

        return null !== $other && $this->rights->uses($caller, $other) ? null : 'no-such-cohort';
    }
}
