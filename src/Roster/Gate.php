<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Core\Roles\Standing;
use MintDoor\Core\Roster\Access;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Sites\Site;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Repository\Standings;
use MintDoor\Shared\Caller;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Sites\SiteRow;
use Symfony\Component\HttpFoundation\RequestStack;

/**
 * Finds a site for a caller and says what they are in it. A site they have nothing to do with is not there for them.
 */
final readonly class Gate
{
    public function __construct(
        private Standings $standings,
        private Roles $roles,
        private PlatformClock $clock,
        private RequestStack $requests,
        private SeeAs $seeAs,
    ) {}

    /**
     * The site as the caller meets it, or as whoever they look through the eyes of (`as` in the address) does.
     *
     * @throws Problem of type `NotFound`, or `NotAllowed` for a change through the eyes of another
     */
    public function at(string $siteId, Caller $caller): SiteAccess
    {
        $own = $this->own($siteId, $caller);
        $request = $this->requests->getMainRequest();
        $as = $request?->query->get('as');
        if (null === $request || !\is_string($as) || '' === $as) {
            return $own;
        }
        if (!$request->isMethodSafe() && 'visit' !== $request->attributes->get('_route')) {
            throw Problem::notAllowed('roster.nothing-changed-while-see');
        }

        return $this->seeAs->through($own, $as);
    }

    /** The same, or null where the site is not there for the caller. */
    public function ifThere(string $siteId, Caller $caller): ?SiteAccess
    {
        try {
            return $this->at($siteId, $caller);
        } catch (Problem $problem) {
            return ProblemType::NotFound === $problem->type ? null : throw $problem;
        }
    }

    /**
     * Somebody's own standing in a site, whoever asks; null where the site is not there for them.
     */
    public function standing(string $siteId, Caller $whose): ?Standing
    {
        try {
            return $this->own($siteId, $whose)->standing;
        } catch (Problem $problem) {
            return ProblemType::NotFound === $problem->type ? null : throw $problem;
        }
    }

    /**
     * The site as one of its doors meets somebody who stands before it: with the authority of whoever opened the door.
     * Only for what the door itself decides.
     */
    public function atDoor(string $siteId, Caller $caller): SiteAccess
    {
        return $this->own($siteId, $caller, true);
    }

    private function own(string $siteId, Caller $caller, bool $door = false): SiteAccess
    {
        $now = $this->clock->instant();
        $row = $this->standings->at($siteId, $caller->id, $now) ?? throw Problem::notFound('site');
        $this->roles->expect($row->stringOrNull('rules_holding'), $row->stringOrNull('settings_holding'));
        $site = SiteRow::site($row, $this->roles->limits()->leads);
        $segment = null === $row->stringOrNull('state') ? null : SegmentRow::segment($row);
        $administrator = $door || $caller->administers($site->division);
        if (null === $segment && !$administrator) {
            throw Problem::notFound('site');
        }
        $timeline = new Timeline(null === $segment ? [] : [$segment]);

        return new SiteAccess(
            $site,
            $row,
            $caller,
            (new Access($this->roles->book()))->standing(
                $timeline,
                PersonRow::caller($caller),
                $now,
                $administrator,
                $site
            ),
            $segment,
            $now,
        );
    }
}
