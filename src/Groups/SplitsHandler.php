<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Core\Groups\Move;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Text\Folding;
use MintDoor\Groups\Entity\GroupSplit;
use MintDoor\Groups\Entity\SiteGroup;
use MintDoor\Groups\Repository\GroupPlaces;
use MintDoor\Groups\Repository\SiteGroups;
use MintDoor\Groups\Repository\Splits;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\Roster\Repository\Enrollments;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\FieldErrors;
use MintDoor\Shared\Ids;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;

/**
 * The ways in which a site's people are divided: made, changed, put away and brought back. Runs inside a transaction,
 * under the site's lock.
 */
final readonly class SplitsHandler
{
    public const MOST_OF_SITE = 40;

    private const MADE = 'split-made';

    private const CHANGED = 'split-changed';

    private const DROPPED = 'split-dropped';

    private const BACK = 'split-back';

    public function __construct(
        private Splits $splits,
        private SiteGroups $groups,
        private GroupPlaces $places,
        private GroupSources $sources,
        private GroupMoves $moves,
        private Enrollments $enrollments,
        private History $history,
        private Ids $ids,
    ) {}

    /**
     * Whoever sees the people of some sections only does not change what there is to be in; they move their own.
     *
     * @throws Problem of type `NotAllowed`
     */
    public static function assertMayChange(SiteAccess $access): void
    {
        $access->require(Permission::ArrangeGroups, 'groups.not-arrange');
        if (null !== $access->standing->sections) {
            throw Problem::notAllowed('groups.not-arrange-all');
        }
    }

    /** @return array{GroupSplit, ?string} with the id of the change list that puts people into it */
    public function make(SiteAccess $access, NewSplitRequest $request): array
    {
        $site = $access->site;
        if (null !== $request->section && !isset($site->sections[$request->section])) {
            throw Problem::field('/section', 'unknown', 'shared.no-such-section');
        }
        $errors = new FieldErrors();
        self::checkSizes($request->least, $request->most, $errors);
        $this->checkName($site->id, trim($request->name), null, $errors);
        $present = $this->splits->of($site->id);
        if (\count($present) >= self::MOST_OF_SITE) {
            $errors->add('name', 'too-many', 'groups.fewer-splits');
        }
        $errors->check();
        $split = $this->splits->make($this->ids->next(), $site->id, trim($request->name), $request->section);
        [$split->least, $split->most, $split->place] = [$request->least, $request->most, \count($present)];
        $this->splits->flush();
        $about = array_map(strval(...), array_keys($this->places->of($split, $access->now)));
        $moves = [];
        $place = 0;
        $split->madeFrom = $this->sources->madeFrom($access, $request);
        foreach ($this->sources->groups($access, $request, $about) as $new) {
            $group = new SiteGroup($this->ids->next(), $split, $new->name, place: $place++, kind: $new->kind);
            $this->groups->add($group);
            foreach ($request->people ? $new->people : [] as $person) {
                $moves[$person] = new Move($person, $group->id, null);
            }
        }
        $this->groups->flush();
        $this->told($access, self::MADE, $split);
        $list = [] === $moves ? null : $this->moves->make($access, $split, $moves)->changeList;

        return [$split, $list];
    }

    /** @return ?string id of the change list that took people out of groups that are gone */
    public function change(SiteAccess $access, GroupSplit $split, SplitRequest $request): ?string
    {
        $present = $this->groups->all($split);
        $errors = new FieldErrors();
        self::checkSizes($request->least, $request->most, $errors);
        $this->checkName($access->site->id, trim($request->name), $split->id, $errors);
        $this->checkGroups($access, $request, $present, $errors);
        if ('alike' === $request->arrives && null === $split->madeFrom) {
            $errors->add('arrives', 'unlike', 'groups.not-alike');
        }
        $errors->check();
        if ([$request->choosesFrom, $request->choosesUntil] !== $split->days($access->zone())) {
            [$split->opensAt, $split->closesAt] = self::window($access, $request);
            $split->remindedAt = $split->settledAt = null;
            $split->askedAt = $split->opensAt > $access->now ? null : $split->askedAt;
        }
        // Whoever said last how it is to be answers for it, and lends it their own sight, not somebody else's.
        $split->openedBy = $access->caller->id;
        if ($request->arrives !== $split->arrives) {
            $split->arrivedAt = $access->now;
        }
        [$split->settles, $split->arrives] = [$request->settles, $request->arrives];
        $split->founds = $request->founds;
        $split->name = trim($request->name);
        [$split->least, $split->most] = [$request->least, $request->most];
        ++$split->version;
        $kept = array_filter(array_column($request->groups, 'id'));
        $out = [];
        foreach ($this->places->of($split, $access->now) as $person => $group) {
            if (null !== $group && !\in_array($group, $kept, true)) {
                $out[(string) $person] = new Move((string) $person, null, $group);
            }
        }
        // Before the groups are gone: people are in them until then.
        $list = [] === $out ? null : $this->moves->make($access, $split, $out)->changeList;
        foreach (array_diff_key($present, array_flip($kept)) as $group) {
            $group->gone = true;
        }
        foreach ($request->groups as $n => $each) {
            $group = null === $each->id ? null : $present[$each->id];
            if (null === $group) {
                $group = new SiteGroup($this->ids->next(), $split, trim($each->name));
                $this->groups->add($group);
            }
            [$group->name, $group->most, $group->place] = [trim($each->name), $each->most, $n];
            [$group->notes, $group->gone] = [trim($each->notes), false];
            $this->groups->lead($group, $each->leader);
        }
        $this->told($access, self::CHANGED, $split);

        return $list;
    }

    /** What its groups are to be like from now on. */
    public function wish(SiteAccess $access, GroupSplit $split, WishesRequest $request): void
    {
        $about = array_keys($this->places->of($split, $access->now));
        foreach (WishesRequest::read($split->wishes)->wishes as $before) {
            // Who has gone since may stay in what was said of them.
            $about = [...$about, ...$before->people];
        }
        $errors = new FieldErrors();
        foreach ($request->wishes as $n => $wish) {
            $this->checkWish($access, $split, $wish, "wishes/$n", array_map(strval(...), $about), $errors);
        }
        $errors->check();
        $split->wishes = $request->kept();
        $split->openedBy = $access->caller->id;
        ++$split->version;
        $this->told($access, self::CHANGED, $split);
    }

    /** @param list<string> $about ids of people who may be named */
    private function checkWish(
        SiteAccess $access,
        GroupSplit $split,
        WishRequest $wish,
        string $at,
        array $about,
        FieldErrors $errors,
    ): void {
        $numbers = 'detail' === $wish->by || 'level' === $wish->by;
        $counts = \in_array($wish->kind, ['count', 'mixed', 'even'], true);
        if (($counts && '' === $wish->by) || ('even' === $wish->kind && !$numbers)) {
            $errors->add("$at/by", 'none', 'groups.wish-by');
        }
        if ('detail' === $wish->by && !$this->sources->offers($access, $wish->detail)) {
            $errors->add("$at/detail", 'unknown', 'groups.no-detail');
        }
        if (
            '' === trim(
                $wish->value
            )
            && (
                'count' === $wish->kind
                || (
                    'mixed' === $wish->kind
                    && 'label' === $wish->by
                )
            )
        ) {
            $errors->add("$at/value", 'none', 'groups.say-value');
        }
        if ('count' === $wish->kind && $wish->most < $wish->least) {
            $errors->add("$at/most", 'less', 'groups.count-less');
        }
        if ('even' === $wish->kind && $wish->must) {
            $errors->add("$at/must", 'never', 'groups.even-must');
        }
        if (\in_array($wish->kind, ['together', 'apart'], true)) {
            if (\count($wish->people) < 2) {
                $errors->add("$at/people", 'few', 'groups.name-two');
            } elseif ([] !== array_diff($wish->people, $about)) {
                $errors->add("$at/people", 'unknown', 'groups.person-not-here');
            }
        }
        if ('met' === $wish->kind) {
            $other = null === $wish->split ? null : $this->splits->one($access->site->id, $wish->split);
            if (null === $other || $other->id === $split->id) {
                $errors->add("$at/split", 'unknown', 'groups.choose-split');
            }
        }
    }

    public function drop(SiteAccess $access, GroupSplit $split): void
    {
        $split->putAwayAt = $access->now;
        ++$split->version;
        $this->told($access, self::DROPPED, $split);
    }

    public function back(SiteAccess $access, GroupSplit $split): void
    {
        if (null === $split->putAwayAt) {
            throw new Problem(ProblemType::NotReady, 'groups.not-put-away');
        }
        $errors = new FieldErrors();
        $this->checkName($access->site->id, $split->name, $split->id, $errors);
        if (!$errors->none()) {
            throw new Problem(ProblemType::NotReady, 'groups.name-taken-since');
        }
        $split->putAwayAt = null;
        ++$split->version;
        $this->told($access, self::BACK, $split);
    }

    /** @return array{?int, ?int} when people choose by themselves */
    private static function window(SiteAccess $access, SplitRequest $request): array
    {
        if (null === $request->choosesFrom && null === $request->choosesUntil) {
            return [null, null];
        }
        if (null === $request->choosesUntil) {
            throw Problem::field('/choosesUntil', 'no-end', 'groups.say-until');
        }
        $from = null === $request->choosesFrom ? $access->now : $access->startOf($request->choosesFrom, '/choosesFrom');
        $until = $access->endOf($request->choosesUntil, '/choosesUntil');
        if ($until <= $from) {
            throw Problem::field('/choosesUntil', 'before-start', 'shared.last-day-before-first');
        }
        if ($until <= $access->now) {
            throw Problem::field('/choosesUntil', 'past', 'groups.until-past');
        }

        return [$from, $until];
    }

    /** @param array<string, SiteGroup> $present */
    private function checkGroups(SiteAccess $access, SplitRequest $request, array $present, FieldErrors $errors): void
    {
        $names = $ids = [];
        foreach ($request->groups as $n => $each) {
            if (null !== $each->id && (!isset($present[$each->id]) || isset($ids[$each->id]))) {
                $errors->add("groups/$n/id", 'unknown', 'groups.no-such-group');
            }
            $ids[(string) $each->id] = true;
            $name = Folding::fold(trim($each->name));
            if (isset($names[$name])) {
                $errors->add("groups/$n/name", 'taken', 'groups.group-name-twice');
            }
            $names[$name] = true;
            $was = null === $each->id ? null : ($present[$each->id] ?? null)?->leader?->id;
            if (null !== $each->leader && $each->leader !== $was && !$this->isHere($access, $each->leader)) {
                $errors->add("groups/$n/leader", 'unknown', 'groups.leader-not-here');
            }
        }
    }

    private function isHere(SiteAccess $access, string $person): bool
    {
        $timeline = $this->enrollments->of($access->site->id, $person)->timeline();

        return true === $timeline->at($access->now)?->state->here();
    }

    private static function checkSizes(?int $least, ?int $most, FieldErrors $errors): void
    {
        if (null !== $least && null !== $most && $least > $most) {
            $errors->add('most', 'less', 'groups.most-less');
        }
    }

    /** @param ?string $own id of the split that may have it */
    private function checkName(string $site, string $name, ?string $own, FieldErrors $errors): void
    {
        foreach ($this->splits->of($site) as $other) {
            if ($other->id !== $own && Folding::fold($other->name) === Folding::fold($name)) {
                $errors->add('name', 'taken', 'groups.split-name-taken');
            }
        }
    }

    private function told(SiteAccess $access, string $code, GroupSplit $split): void
    {
        $this->history->write($access->site->id, $access->caller, new Happening($code, ['name' => $split->name]));
    }
}
