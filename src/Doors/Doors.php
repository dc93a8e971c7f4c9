<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Core\Time\Window;
use MintDoor\Doors\Repository\DoorKeys;
use MintDoor\Doors\Repository\SentenceDoors;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\People\Repository\People;
use MintDoor\Roster\Entity\Door;
use MintDoor\Roster\Repository\Standings;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Ids;
use MintDoor\Shared\IfMatch;
use MintDoor\Shared\Problem;
use MintDoor\Sites\Repository\Sites;

/**
 * The doors that are set up as sentences: made, changed, opened and shut. Runs inside a transaction, under the site's
 * lock.
 */
final readonly class Doors
{
    /** Whose names a chosen key must not be made of. */
    private const LEADS = 20;

    public function __construct(
        private SentenceDoors $doors,
        private DoorKeys $keys,
        private DoorPlanner $planner,
        private DoorAuthority $authority,
        private Sites $sites,
        private People $people,
        private Standings $standings,
        private Ids $ids,
        private History $history,
    ) {}

    /** @return string id of the door */
    public function make(SiteAccess $access, DoorRequest $request): string
    {
        $planned = $this->planner->plan($access, $request);
        $door = new Door(
            $this->ids->next(),
            $this->sites->known($access->site->id),
            $planned->kind->value,
            $planned->name,
            terms: DoorPolicyCodec::write($planned->policy),
            fromAt: $planned->hours->from,
            untilAt: $planned->hours->until,
            madeBy: $this->people->known($access->caller->id),
            madeAt: $access->now,
        );
        $this->doors->add($door);
        $this->doors->flush();
        if ('key' === $request->kind) {
            $this->giveKey($access, $door->id, $request->key);
        }
        $this->note($access, 'door-made', $door);

        return $door->id;
    }

    public function change(SiteAccess $access, string $id, DoorRequest $request, IfMatch $seen): void
    {
        $kept = $this->doors->inSite($access->site->id, $id);
        $door = $kept->door;
        $seen->assert($door->version);
        if ($request->kind !== $kept->asked()) {
            throw Problem::field('/kind', 'kind', 'doors.door-stays-kind-make');
        }
        $planned = $this->planner->plan($access, $request, $kept);
        $door->name = $planned->name;
        $door->terms = DoorPolicyCodec::write($planned->policy);
        $door->fromAt = $planned->hours->from;
        $door->untilAt = $planned->hours->until;
        $door->keptBy($this->people->known($access->caller->id));
        $this->doors->flush();
        if (null !== $request->key && 'key' === $request->kind) {
            $this->giveKey($access, $door->id, $request->key);
        }
        $this->note($access, 'door-changed', $door);
    }

    public function open(SiteAccess $access, string $id): void
    {
        $kept = $this->doors->inSite($access->site->id, $id);
        $this->authority->assertMayGive($access, $kept);
        $standing = $this->authority->keeper($access->site->id, $kept->keeper());
        if (!$kept->door->isOpen() || !$this->authority->backed($access, $kept, $standing)) {
            // Whoever opens a door stands behind it from then on.
            $kept->door->state = 'open';
            $kept->door->keptBy($this->people->known($access->caller->id));
            $this->doors->flush();
            $this->note($access, 'door-opened', $kept->door);
        }
    }

    public function shut(SiteAccess $access, string $id): void
    {
        $door = $this->doors->inSite($access->site->id, $id)->door;
        if ($door->isOpen()) {
            $door->state = 'shut';
            ++$door->version;
            $this->doors->flush();
            $this->note($access, 'door-shut', $door);
        }
    }

    /**
     * A fresh key for a door, and for another term if so wished: the key of before opens nothing any more.
     *
     * @param ?Window $hours null leaves them
     */
    public function renew(SiteAccess $access, string $id, ?Window $hours = null): void
    {
        $kept = $this->doors->inSite($access->site->id, $id);
        if ('key' !== $kept->asked()) {
            throw Problem::notAllowed('doors.only-key-doors-key');
        }
        $this->authority->assertMayGive($access, $kept);
        $this->keys->fresh($id);
        if (null !== $hours) {
            $kept->door->fromAt = $hours->from;
            $kept->door->untilAt = $hours->until;
            $kept->door->state = 'open';
        }
        $kept->door->keptBy($this->people->known($access->caller->id));
        $this->doors->flush();
        $this->note($access, 'door-key-renewed', $kept->door);
    }

    /** @throws Problem at the fields of the days */
    public function renewFor(SiteAccess $access, string $id, ?string $fromDay, ?string $untilDay): void
    {
        $this->renew($access, $id, $this->planner->planHours($access, $fromDay, $untilDay));
    }

    private function giveKey(SiteAccess $access, string $door, ?string $chosen): void
    {
        if (null === $chosen || '' === trim($chosen)) {
            $this->keys->fresh($door);

            return;
        }
        $around = [
            $access->row->string('title'),
            $access->row->string('code'),
            $access->row->string('division_name'),
            $access->row->stringOrNull('term_name') ?? '',
            ...$this->standings->sortNamesOfLeads($access->site->id, $access->now, self::LEADS),
        ];
        $this->keys->choose($door, $chosen, implode(' ', $around));
    }

    private function note(SiteAccess $access, string $code, Door $door): void
    {
        $this->history->write(
            $access->site->id,
            $access->caller,
            new Happening($code, ['door' => $door->id, 'name' => $door->name]),
        );
    }
}
