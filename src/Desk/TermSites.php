<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Platform\Term as TermRules;
use MintDoor\Core\Sites\SiteState;
use MintDoor\Core\Sites\TermShift;
use MintDoor\Core\Time\Time;
use MintDoor\Doors\TermDoors;
use MintDoor\Doors\TermDoorsDone;
use MintDoor\Platform\Entity\Term;
use MintDoor\Roster\Entity\Section;
use MintDoor\Roster\Gate;
use MintDoor\Roster\Repository\Sections;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\FieldErrors;
use MintDoor\Shared\Ids;
use MintDoor\Shared\Said;
use MintDoor\Sites\Entity\Site;
use MintDoor\Sites\Repository\Sites;
use MintDoor\Weeks\CarriedHours;
use Symfony\Component\Validator\Validator\ValidatorInterface;

/**
 * Sites in another term, but for their people: their dates, sections, hours and doors; and sites that are made like
 * others. Runs inside a transaction, under the locks of the sites.
 */
final readonly class TermSites
{
    private const MOST_OF_CODE = 24;

    public function __construct(
        private SiteHandler $handler,
        private SiteCarrying $carrying,
        private Sites $sites,
        private Sections $sections,
        private CarriedHours $hours,
        private TermDoors $doors,
        private Gate $gate,
        private ValidatorInterface $validator,
        private Ids $ids,
    ) {}

    /** How dates move along; null where the site was of no term. */
    public static function shift(Site $site, Term $to): ?TermShift
    {
        return null === $site->term
            ? null
            : new TermShift(self::term($site->term), self::term($to), new \DateTimeZone($site->timeZone));
    }

    public static function term(Term $term): TermRules
    {
        return new TermRules($term->code, $term->name, $term->startsOn, $term->endsOn);
    }

    /** @return array{array<string, int|string|null>, array<string, int|string|null>} facts before, and after */
    public function goOn(SiteAccess $access, Site $site, Term $term, ?TermShift $shift): array
    {
        $starts = $access->startOf($term->startsOn, '/term');
        $opens = match ($access->site->stateAt($access->now)) {
            SiteState::Closed => max($access->now, $starts),
            SiteState::Open => $site->opensAt,
            SiteState::Draft => $shift?->begin($site->opensAt) ?? $site->opensAt,
        };
        $closes = $this->closes($access, $site, $term, $shift, max($access->now, min($opens, Time::FOREVER - 1)));

        return $this->handler->turn($access, $term, $opens, $closes);
    }

    /** @return array<string, array{int, int, int, int}> dates of sections before and after, by id */
    public function moveSections(string $site, TermShift $shift): array
    {
        $moved = [];
        foreach ($this->sections->all($site) as $section) {
            [$from, $until] = [$shift->begin($section->fromAt), $shift->end($section->untilAt)];
            if (!$section->retired && [$from, $until] !== [$section->fromAt, $section->untilAt] && $from < $until) {
                $moved[$section->id] = [$section->fromAt, $section->untilAt, $from, $until];
                [$section->fromAt, $section->untilAt] = [$from, $until];
            }
        }
        $this->sections->flush();

        return $moved;
    }

    /** @return array{array<array-key, mixed>, array<array-key, mixed>} how the site met, and how it does */
    public function moveHours(string $site, TermShift $shift): array
    {
        $before = $this->hours->kept($site);
        $this->hours->move($site, $shift);

        return [$before, $this->hours->kept($site)];
    }

    /**
     * A draft like a site, with its sections, of nobody but whoever makes it.
     *
     * @param int $n where the site is in the request
     *
     * @return array{SiteAccess, array<string, ?string>} it as the caller meets it, and ids of its sections by those of
     *     the site
     */
    public function like(Site $site, TermChangeSite $asked, Term $term, Caller $caller, bool $lead, int $n): array
    {
        $request = new SiteRequest(
            '' === trim($asked->title) ? $site->title : $asked->title,
            '' === trim($asked->code) ? $this->code($site, $term) : $asked->code,
            $site->kind,
            $site->division->code,
            $term->code,
            $site->levelLowest,
            $site->levelHighest,
            $site->seats,
        );
        $errors = new FieldErrors();
        foreach ($this->validator->validate($request) as $violation) {
            $said = Said::with($violation->getMessageTemplate(), ...$violation->getParameters());
            $errors->add("sites/$n/".$violation->getPropertyPath(), 'invalid', $said);
        }
        if ($this->sites->isTaken($request->code)) {
            $errors->add("sites/$n/code", 'taken', 'desk.another-site-short-code');
        }
        $errors->check();
        $made = $this->carrying->site($this->handler->make($request, $caller, $lead));
        $made->sectionsApart = $site->sectionsApart;
        $made->sectionsSeveral = $site->sectionsSeveral;
        $made->leadLimit = $site->leadLimit;
        $made->timeZone = $site->timeZone;
        $shift = self::shift($site, $term);
        $sections = [];
        foreach ($this->sections->offered($site->id) as $section) {
            $copy = new Section(
                $this->ids->next(),
                $made,
                $section->name,
                $section->meets,
                $section->place,
                $section->seats,
                $shift?->begin($section->fromAt) ?? $section->fromAt,
                $shift?->end($section->untilAt) ?? $section->untilAt,
            );
            $this->sections->add($copy);
            $sections[$section->id] = $copy->id;
        }
        $this->carrying->flush();

        return [$this->gate->at($made->id, $caller), $sections];
    }

    /**
     * Gives a site that was made like another its doors, hours and dates.
     *
     * @param array<string, ?string> $sections ids of its sections by those of the other
     */
    public function furnish(
        SiteAccess $from,
        SiteAccess $made,
        array $sections,
        Term $term,
        bool $doors,
    ): TermDoorsDone {
        $site = $this->carrying->site($from->site->id);
        $shift = self::shift($site, $term);
        $this->hours->come($made->site->id, $site->id, $sections, [null]);
        null === $shift || $this->hours->move($made->site->id, $shift);
        $opens = max($made->now, $made->startOf($term->startsOn, '/term'));
        if (Time::FOREVER !== $site->opensAt) {
            $this->handler->turn($made, $term, $opens, $this->closes($made, $site, $term, $shift, $opens));
        }

        return $doors ? $this->doors->copy($from, $this->now($made), $sections, $shift) : new TermDoorsDone();
    }

    /**
     * Closes a site with its term.
     *
     * @return array{array<string, int|string|null>, array<string, int|string|null>} facts before, and after
     */
    public function close(SiteAccess $access, Site $site): array
    {
        $ends = $access->site->termEnds < Time::FOREVER ? max($access->now, $access->site->termEnds) : $access->now;

        return $access->site->opensAt >= Time::FOREVER
            ? [[], []]
            : $this->handler->turn($access, $site->term, $site->opensAt, min($site->closesAt, $ends));
    }

    /** A site as it is by now, as the same caller meets it. */
    public function now(SiteAccess $access): SiteAccess
    {
        return $this->gate->at($access->site->id, $access->caller);
    }

    /** @return list<string> names of doors that stay as they are: they were changed since */
    public function back(TermChangePart $part, SiteAccess $access): array
    {
        $this->handler->turnBack($access, $part->before, $part->after);
        foreach ($this->sections->among($part->site, array_keys($part->sections)) as $section) {
            [$from, $until, $fromAfter, $untilAfter] = $part->sections[$section->id];
            if ([$section->fromAt, $section->untilAt] === [$fromAfter, $untilAfter]) {
                [$section->fromAt, $section->untilAt] = [$from, $until];
            }
        }
        $this->sections->flush();
        if ($part->hoursBefore !== $part->hoursAfter) {
            $this->hours->putBack($part->site, $part->hoursBefore, $part->hoursAfter, []);
        }

        return $this->doors->back($access, $part->doors);
    }

    private function closes(SiteAccess $access, Site $site, Term $term, ?TermShift $shift, int $opens): int
    {
        $closes = $shift?->end($site->closesAt) ?? $site->closesAt;

        return $closes > $opens ? $closes : $access->endOf($term->endsOn, '/term');
    }

    /** A short code that is free: that of the site, with the term. */
    private function code(Site $site, Term $term): string
    {
        $short = static fn(string $code): string => mb_strtoupper(mb_substr($code, 0, 12));
        $old = null === $site->term ? '' : '-'.$short($site->term->code);
        $base = '' !== $old && str_ends_with($site->code, $old)
            ? substr($site->code, 0, -\strlen($old))
            : $site->code;
        for ($n = 1;; ++$n) {
            $end = '-'.$short($term->code).(1 === $n ? '' : ".$n");
            $code = substr($base, 0, self::MOST_OF_CODE - \strlen($end)).$end;
            if (!$this->sites->isTaken($code)) {
                return $code;
            }
        }
    }
}
