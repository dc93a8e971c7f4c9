<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Core\People\Person;
use MintDoor\Core\People\Reach;
use MintDoor\Core\Platform\Detail;
use MintDoor\Core\Platform\DetailReader;
use MintDoor\Core\Platform\DetailValue;
use MintDoor\Core\Platform\DetailWanted;
use MintDoor\People\DetailNarrowing;
use MintDoor\People\DetailShown;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\PersonDetails;
use MintDoor\Roles\Roles;
use MintDoor\Shared\Caller;
use MintDoor\Shared\FieldErrors;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;
use MintDoor\Shared\Said;

/** Which details of people there are, and which of them somebody may see and change. */
final readonly class Details
{
    public function __construct(
        private Roles $roles,
        private PersonDetails $kept,
    ) {}

    /** @return list<Detail> */
    public function all(): array
    {
        return $this->roles->details();
    }

    /** @return list<Detail> those that somebody may see of anybody at all */
    public function offered(Caller $caller): array
    {
        $staff = 'staff' === $caller->kind;

        return array_values(
            array_filter(
                $this->all(),
                static fn(Detail $detail): bool => $caller->isAdministrator()
                    || ($staff && $detail->isSeenBy(DetailReader::Staff)),
            ),
        );
    }

    /**
     * Those that somebody sees of one of whom they know everything.
     *
     * @param string $division code, of whom it is about
     *
     * @return list<Detail>
     */
    public function seen(Caller $caller, string $division): array
    {
        return array_values(
            array_filter(
                $this->all(),
                static fn(Detail $detail): bool => $caller->administers($division)
                    || ('staff' === $caller->kind && $detail->isSeenBy(DetailReader::Staff)),
            ),
        );
    }

    /**
     * What is kept of somebody, and could be, for one who knows everything of them.
     *
     * @param Row                   $row       with `PersonRow::COLUMNS`
     * @param bool                  $looksAfter whether the caller looks after them
     *
     * @return list<DetailShown>
     */
    public function of(Row $row, Caller $caller, bool $looksAfter): array
    {
        $person = PersonRow::person($row);
        $own = $person->id === $caller->id;
        $administers = $caller->administers($person->division);
        $seen = $this->seen($caller, $person->division);

        return $this->ofPerson($person, array_filter(
            $this->all(),
            static fn(Detail $detail): bool => \in_array($detail, $seen, true)
                || $own && $detail->isSeenBy(DetailReader::Themselves),
        ), static fn(Detail $detail): bool => $administers
            || $own && $detail->isChangedBy(DetailReader::Themselves)
            || !$own && $looksAfter && $detail->isChangedBy(DetailReader::Staff));
    }

    /** @return list<DetailShown> what somebody sees of what is kept of themselves */
    public function ofOneself(Caller $caller): array
    {
        return $this->ofPerson(PersonRow::caller($caller), array_filter(
            $this->all(),
            static fn(Detail $detail): bool => $detail->isSeenBy(DetailReader::Themselves),
        ), static fn(Detail $detail): bool => $detail->isChangedBy(DetailReader::Themselves));
    }

    /**
     * @param array<array-key, Detail> $details
     * @param \Closure(Detail): bool   $mayChange
     *
     * @return list<DetailShown>
     */
    private function ofPerson(Person $person, array $details, \Closure $mayChange): array
    {
        $kept = $this->kept->of($person->id);
        $details = array_filter(
            $details,
            // What is written down of somebody shows, also where their kind would not have it.
            static fn(Detail $detail): bool => isset($kept[$detail->code])
                || [] !== array_filter($person->kinds(), $detail->isOf(...)),
        );

        return array_map(
            static fn(Detail $detail): DetailShown => new DetailShown(
                $detail->code,
                $detail->name,
                $detail->type->value,
                $detail->choices,
                $kept[$detail->code] ?? '',
                $mayChange($detail),
            ),
            array_values($details),
        );
    }

    /**
     * Whether somebody may write details of people whom they make, or look after.
     *
     * @param array<string, string> $values by code
     */
    public function mayWrite(Caller $caller, array $values, string $division): bool
    {
        return $caller->administers($division)
            || [] === array_filter(
                $this->all(),
                static fn(Detail $detail): bool => isset($values[$detail->code])
                    && !$detail->isChangedBy(DetailReader::Staff),
            );
    }

    /**
     * What was read before, with what it is compared by.
     *
     * @param array<string, string> $kept by code
     *
     * @return array<string, DetailValue> by code
     */
    public function values(array $kept): array
    {
        $values = [];
        foreach ($this->all() as $detail) {
            if (isset($kept[$detail->code])) {
                $values[$detail->code] = $detail->read($kept[$detail->code]);
            }
        }

        return $values;
    }

    /**
     * Writes what somebody typed. Runs inside a transaction that has locked the person.
     *
     * @param list<DetailShown>     $shown  of those they see
     * @param array<string, string> $typed  by code
     *
     * @return list<string> names of those that are otherwise now
     *
     * @throws Problem of type `Invalid` or `NotAllowed`
     */
    public function write(string $person, array $shown, array $typed): array
    {
        $byCode = array_column($this->all(), null, 'code');
        $shown = array_column($shown, null, 'code');
        $errors = new FieldErrors();
        $values = $names = [];
        foreach ($typed as $code => $text) {
            $detail = $byCode[$code] ?? null;
            $one = $shown[$code] ?? null;
            if (null === $detail || null === $one) {
                throw Problem::field('/values', 'unknown', 'people.no-such-detail');
            }
            $value = $detail->read($text);
            if (($value->text ?? '') === $one->value && null === $value->problem) {
                continue;
            }
            if (!$one->mayChange) {
                throw Problem::notAllowed('people.detail-not-yours');
            }
            null === $value->problem
                || $errors->add('values/'.$code, $value->problem, Said::with(
                    'people.detail.'.$value->problem,
                    choices: implode(', ', $detail->choices),
                    most: Detail::LONGEST,
                ));
            $values[$code] = $value;
            $names[] = $detail->name;
        }
        $errors->check();
        $this->kept->write($person, $values);

        return $names;
    }

    /**
     * What is kept of somebody, as far as it may be seen.
     *
     * @param list<Detail>          $details
     * @param array<string, string> $values  by code
     *
     * @return array<string, string> by code
     */
    public static function shown(array $details, array $values): array
    {
        return array_intersect_key($values, array_fill_keys(array_column($details, 'code'), true));
    }

    /**
     * What an address asks for (`DetailWanted::all()`), as far as somebody may know it.
     *
     * @return ?list<DetailNarrowing> null for nobody
     */
    public function narrowing(string $asked, Caller $caller, Reach $reach): ?array
    {
        if ('' === $asked) {
            return [];
        }
        $wanted = DetailWanted::all($asked, $this->offered($caller));

        return null === $wanted
            ? null
            : array_map(
                static fn(DetailWanted $one): DetailNarrowing => new DetailNarrowing($one, match (true) {
                    $caller->platformAdministrator => null,
                    $one->detail->isSeenBy(DetailReader::Staff) => $reach->everything ? null : $reach->divisions,
                    default => $caller->divisions,
                }),
                $wanted,
            );
    }
}
