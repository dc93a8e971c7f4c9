<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/**
 * What a platform is: its name and look, its divisions, its calendar, and how it writes to people. What people may do
 * in it is said by its rules.
 */
final readonly class Settings
{
    /**
     * @param string        $name     of the platform, as its people call it
     * @param list<Term>    $terms
     * @param list<DaysOff> $daysOff
     * @param list<Letterhead> $letterheads
     * @param list<Registration> $registrations
     * @param list<Starter>      $starters
     * @param list<Detail>       $details of people, in the order in which they are shown
     * @param list<OwnKind>      $kinds   of people, beside the four
     */
    public function __construct(
        public string $name,
        public DivisionTree $divisions,
        public array $terms,
        public array $daysOff,
        public Look $look = new Look(),
        public MailServer $mail = new MailServer(),
        public array $letterheads = [],
        public array $registrations = [],
        public array $starters = [],
        public LabelsKept $labels = new LabelsKept(),
        public array $details = [],
        public array $kinds = [],
    ) {}

    /** The same with other divisions. */
    public function withDivisions(DivisionTree $divisions): self
    {
        return $this->with($divisions, $this->terms);
    }

    /**
     * The same with other terms.
     *
     * @param list<Term> $terms
     */
    public function withTerms(array $terms): self
    {
        return $this->with($this->divisions, $terms);
    }

    /** @param list<Term> $terms */
    private function with(DivisionTree $divisions, array $terms): self
    {
        return new self(
            $this->name,
            $divisions,
            $terms,
            $this->daysOff,
            $this->look,
            $this->mail,
            $this->letterheads,
            $this->registrations,
            $this->starters,
            $this->labels,
            $this->details,
            $this->kinds,
        );
    }

    /** How people register themselves in a division; null where they do not. */
    public function registrationOf(string $division): ?Registration
    {
        $registration = array_column($this->registrations, null, 'division')[$division] ?? null;
        $there = false === $this->divisions->find($division)?->retired;

        return $there && null !== $registration && RegistrationFor::Nobody !== $registration->for
            ? $registration
            : null;
    }

    /** What is said around messages to the people of a division; null for those of no division. */
    public function letterheadOf(?string $division): Letterhead
    {
        $all = array_column($this->letterheads, null, 'division');
        $letterhead = new Letterhead();
        foreach (null === $division ? [] : $this->divisions->above($division) as $code) {
            $letterhead = isset($all[$code]) ? $letterhead->over($all[$code]) : $letterhead;
        }

        return isset($all['']) ? $letterhead->over($all['']) : $letterhead;
    }

    /** What a day is called on which a division has nothing; null for a day like any other. */
    public function offOn(string $day, string $division): ?string
    {
        foreach ($this->daysOff as $days) {
            if ($days->has($day) && $this->reaches($days->division, $division)) {
                return $days->name;
            }
        }

        return null;
    }

    /** @return list<Term> those that sites of a division may have, the first one first */
    public function termsOf(string $division): array
    {
        $terms = array_values(
            array_filter($this->terms, fn(Term $term): bool => $this->reaches($term->division, $division)),
        );
        usort(
            $terms,
            static fn(Term $a, Term $b): int => [$a->startsOn, $a->code] <=> [$b->startsOn, $b->code],
        );

        return $terms;
    }

    private function reaches(?string $of, string $division): bool
    {
        return null === $of || $this->divisions->within($division, $of);
    }
}
