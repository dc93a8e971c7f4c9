<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Changes\CarryLines;
use MintDoor\Changes\ComputedList;
use MintDoor\Core\Changes\Carried;
use MintDoor\Core\Changes\CarryMap;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\Leads;
use MintDoor\Doors\CarriedDoors;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Entity\Door;
use MintDoor\Roster\Entity\Section;
use MintDoor\Roster\Repository\Sections;
use MintDoor\Roster\Repository\SiteDoors;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\FieldErrors;
use MintDoor\Shared\Ids;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Said;
use MintDoor\Shared\Transaction;
use MintDoor\Sites\Entity\Site;
use MintDoor\Sites\SiteName;
use MintDoor\Weeks\CarriedHours;
use Symfony\Component\Validator\Validator\ValidatorInterface;

/**
 * Makes a site of some sections of another one, and takes that back. Runs inside a transaction, under the site's lock;
 * only looked at, it is done in the same way and then forgotten.
 */
final readonly class SiteSplits
{
    private const KIND = 'site-split';

    public function __construct(
        private SiteCarrying $carrying,
        private SiteHandler $sites,
        private CarryLines $lines,
        private CarriedDoors $doors,
        private CarriedHours $hours,
        private SiteDoors $staff,
        private Sections $sections,
        private Roles $roles,
        private History $history,
        private Transaction $transaction,
        private ValidatorInterface $validator,
        private Ids $ids,
    ) {}

    /** @throws Problem of type `Invalid`, or `NotReady` */
    public function split(string $site, SiteSplitRequest $request, Caller $caller): SiteSplitAnswer
    {
        $from = $this->carrying->run($site, $caller);
        $sections = $this->chosen($from, $request->sections);

        return $this->transaction->attempt(
            $request->apply,
            fn(): SiteSplitAnswer => $this->make($from, $sections, $request, $caller),
        );
    }

    /** @return list<string> ids of both sites */
    public function sitesOf(string $changeList, Caller $caller): array
    {
        $kept = SiteSplitKept::read($this->carrying->list($changeList, self::KIND, $caller)->undoData ?? []);

        return [$kept->from, $kept->made];
    }

    /** Puts people and doors back; where nobody is left in the site that was made, it is taken back, too. */
    public function undo(string $changeList, bool $apply, Caller $caller): CarriedBackAnswer
    {
        $list = $this->carrying->list($changeList, self::KIND, $caller);
        $kept = SiteSplitKept::read($list->undoData ?? []);
        $from = $this->carrying->run($kept->from, $caller);
        $made = $this->carrying->run($kept->made, $caller);

        return $this->transaction->attempt($apply, function () use (
            $changeList,
            $kept,
            $from,
            $made,
            $apply,
            $caller,
        ): CarriedBackAnswer {
            $list = $this->carrying->list($changeList, self::KIND, $caller);
            $site = $this->carrying->site($kept->from);
            // The seats come back first, so that those who held them find them.
            if ($site->seats === $kept->seatsAfter) {
                $this->carrying->putFacts($site, ['seats' => $kept->seats]);
            }
            $this->doors->move(
                $this->doors->still($kept->made, $kept->doors),
                $site,
                array_flip(array_filter($kept->sections, is_string(...))),
                1 === \count($kept->sections) ? (string) array_key_first($kept->sections) : null,
            );
            foreach ($this->sections->among($kept->from, array_keys($kept->sections)) as $section) {
                $section->retired = false;
            }
            $this->sections->flush();
            $title = new SiteName($kept->made, $made->row->string('title'));
            $answer = $this->carrying->back($list, [$kept->made], [$title], $apply, $caller);
            if ($apply) {
                $this->hours->putBack($kept->from, $kept->hoursBefore, $kept->hoursAfter, []);
                $this->putBack($kept, $from, $made, $caller);
            }

            return $answer;
        });
    }

    /**
     * The sections meet in the new site from now on.
     *
     * @param array<string, ?string> $sections id there by the id here
     *
     * @return array<string, mixed> how the site meets that they were of
     */
    private function hoursGo(string $from, string $made, array $sections): array
    {
        $this->hours->come($made, $from, $sections, [null]);
        $this->hours->drop($from, array_map(strval(...), array_keys($sections)));

        return $this->hours->kept($from);
    }

    private function putBack(SiteSplitKept $kept, SiteAccess $from, SiteAccess $made, Caller $caller): void
    {
        $there = $this->carrying->enrolled($kept->made);
        unset($there[$kept->lead]);
        $here = array_filter(
            $there,
            static fn(Enrollment $one): bool => true === $one->timeline()->at($made->now)?->state->here(),
        );
        $title = $made->row->string('title');
        if ([] === $here) {
            $this->sites->takeBack($this->carrying->ofPlatform($kept->made, $caller));
        }
        $this->history->write($kept->from, $caller, new Happening('sections-back', ['name' => $title]));
        if ([] !== $here) {
            $this->history->write($kept->made, $caller, new Happening(
                'sections-gone-back',
                ['to' => $from->row->string('title')],
            ));
        }
    }

    /**
     * @param list<string> $ids
     *
     * @return array<string, Section> by id
     *
     * @throws Problem of type `Invalid`
     */
    private function chosen(SiteAccess $from, array $ids): array
    {
        $found = $this->sections->among($from->site->id, $ids);
        $errors = new FieldErrors();
        foreach ($ids as $n => $id) {
            if (!isset($found[$id]) || $found[$id]->retired) {
                $errors->add("sections/$n", 'no-such-section', 'shared.no-such-section');
            }
        }
        $waiting = $this->doors->waitingFor($from->site->id, $ids);
        if ($waiting > 0) {
            $errors->add('sections', 'waiting', Said::with('desk.split.people-wait', n: $waiting));
        }
        $errors->check();

        return $found;
    }

    /** @param array<string, Section> $sections by id */
    private function make(
        SiteAccess $from,
        array $sections,
        SiteSplitRequest $request,
        Caller $caller,
    ): SiteSplitAnswer {
        $site = $this->carrying->site($from->site->id);
        $enrolled = $this->carrying->enrolled($site->id);
        $this->carrying->assertNotTooMany(\count($enrolled));
        $doors = $this->doors->into($site->id, array_keys($sections));
        $lead = !$this->leadGoes($enrolled, $sections, $from->now);
        $made = $this->site($site, $sections, $request, $caller, $lead);
        $map = new CarryMap(
            $this->staff->idOfStaff($made->id),
            array_map(static fn(Door $door): string => $door->id, $doors),
            $this->copied($sections, $made),
        );
        // As it is by now, with its sections.
        $there = $this->carrying->ofPlatform($made->id, $caller);
        $carried = $this->carried($from, $enrolled, array_keys($sections), $map);
        $leave = $this->lines->outOf($from, $carried, 1);
        $come = $this->lines->into(
            $there,
            array_filter($carried, static fn(Carried $one): bool => [] !== $one->into),
            \count($carried) + 1,
        );
        $ready = SiteCarrying::ready($leave, $come);
        $changeList = null;
        if ($request->apply) {
            if (!$ready) {
                throw new Problem(ProblemType::NotReady, 'desk.split.some-cannot-go');
            }
            $kept = new SiteSplitKept(
                $site->id,
                $made->id,
                $map->sections,
                $map->doors,
                $site->seats,
                self::seatsLeft($site, $sections),
                $lead ? $caller->id : null,
                $this->hours->kept($site->id),
                $this->hoursGo($site->id, $made->id, $map->sections),
            );
            $changeList = $this->keep($kept, [[$from, $leave], [$there, $come]], $doors, $sections, $caller);
        }

        return new SiteSplitAnswer(
            $come->summary->joining,
            $come->summary->joining - $leave->summary->leaving,
            array_map(static fn(Door $door): string => $door->name, $doors),
            $lead,
            $this->carrying->review([[$from, $leave], [$there, $come]]),
            $ready,
            $request->apply ? new SiteName($made->id, $made->title) : null,
            $changeList,
        );
    }

    /**
     * Whether somebody who leads the site goes with the sections.
     *
     * @param array<string, Enrollment> $enrolled by person
     * @param array<string, Section>    $sections by id
     */
    private function leadGoes(array $enrolled, array $sections, int $now): bool
    {
        $leads = new Leads($this->roles->book());
        foreach ($enrolled as $enrollment) {
            $present = $enrollment->timeline()->at($now);
            if (
                null !== $present
                && $leads->leads($present)
                && [] !== array_intersect($present->sections, array_keys($sections))
            ) {
                return true;
            }
        }

        return false;
    }

    /** @param array<string, Section> $sections by id */
    private function site(
        Site $like,
        array $sections,
        SiteSplitRequest $request,
        Caller $caller,
        bool $lead,
    ): Site {
        $names = array_map(static fn(Section $section): string => $section->name, array_values($sections));
        // Only looked at, it needs no name of its own yet.
        $title = '' === trim($request->title) && !$request->apply
            ? mb_substr(implode(', ', $names), 0, 160)
            : $request->title;
        $code = '' === trim($request->code) && !$request->apply
            ? 'X'.substr(str_replace('-', '', $this->ids->next()), -20)
            : $request->code;
        $body = new SiteRequest(
            $title,
            $code,
            $like->kind,
            $like->division->code,
            $like->term->code ?? '',
            $like->levelLowest,
            $like->levelHighest,
            self::seats($sections),
        );
        $errors = new FieldErrors();
        foreach ($this->validator->validate($body) as $violation) {
            $errors->add(
                $violation->getPropertyPath(),
                'invalid',
                Said::with($violation->getMessageTemplate(), ...$violation->getParameters()),
            );
        }
        $errors->check();
        $site = $this->carrying->site($this->sites->make($body, $caller, $lead));
        [$opens, $closes] = [$like->opensAt, $like->closesAt];
        if (1 === \count($sections)) {
            $only = $sections[array_key_first($sections)];
            $opens = max($opens, $only->fromAt);
            $closes = max($opens, min($closes, $only->untilAt));
        } else {
            $site->sectionsApart = $like->sectionsApart;
            $site->sectionsSeveral = $like->sectionsSeveral;
        }
        $site->timeZone = $like->timeZone;
        $site->opensAt = $opens;
        $site->closesAt = $closes;
        $this->carrying->flush();

        return $site;
    }

    /**
     * The sections once more, in the new site, where there is more than one.
     *
     * @param array<string, Section> $sections by id
     *
     * @return array<string, ?string> id there by the id here
     */
    private function copied(array $sections, Site $made): array
    {
        if (1 === \count($sections)) {
            return array_map(static fn(): null => null, $sections);
        }
        $copies = [];
        foreach ($sections as $id => $section) {
            $copy = new Section(
                $this->ids->next(),
                $made,
                $section->name,
                $section->meets,
                $section->place,
                $section->seats,
                $section->fromAt,
                $section->untilAt,
            );
            $this->sections->add($copy);
            $copies[$id] = $copy->id;
        }
        $this->sections->flush();

        return $copies;
    }

    /**
     * @param array<string, Enrollment> $enrolled by person
     * @param list<string>              $sections ids
     *
     * @return array<string, Carried> by person
     */
    private function carried(
        SiteAccess $from,
        array $enrolled,
        array $sections,
        CarryMap $map,
    ): array {
        $carrying = $this->carrying->by($from);
        $carried = [];
        foreach ($enrolled as $person => $enrollment) {
            $one = $carrying->split($enrollment, $sections, $map);
            if ([] !== $one->into || [] !== $one->outOf) {
                $carried[(string) $person] = $one;
            }
        }

        return $carried;
    }

    /**
     * @param list<array{SiteAccess, ComputedList}> $lists
     * @param list<Door>                            $doors
     * @param array<string, Section>                $sections by id
     */
    private function keep(SiteSplitKept $kept, array $lists, array $doors, array $sections, Caller $caller): string
    {
        $site = $this->carrying->site($kept->from);
        $made = $this->carrying->site($kept->made);
        $title = $site->title.' → '.$made->title;
        $list = $this->carrying->keep(self::KIND, $site->id, $title, $lists, $kept->json(), $caller);
        $this->doors->move($doors, $made, $kept->sections);
        $this->carrying->retire($site->id, array_keys($sections));
        if ($site->seats !== $kept->seatsAfter) {
            $this->carrying->putFacts($site, ['seats' => $kept->seatsAfter]);
        }
        $names = array_map(static fn(Section $section): string => $section->name, $sections);
        $said = ['name' => implode(', ', $names)];
        $this->history->write(
            $site->id,
            $caller,
            new Happening('sections-taken-out', $said + ['to' => $made->title]),
        );
        $this->history->write(
            $made->id,
            $caller,
            new Happening('sections-came', $said + ['to' => $site->title]),
        );

        return $list->id;
    }

    /** @param array<string, Section> $sections by id */
    private static function seats(array $sections): ?int
    {
        $seats = array_map(static fn(Section $section): ?int => $section->seats, $sections);

        return \in_array(null, $seats, true) ? null : (int) array_sum($seats);
    }

    /** @param array<string, Section> $sections by id */
    private static function seatsLeft(Site $site, array $sections): ?int
    {
        $gone = self::seats($sections);

        return null === $site->seats || null === $gone || $gone >= $site->seats ? $site->seats : $site->seats - $gone;
    }
}
