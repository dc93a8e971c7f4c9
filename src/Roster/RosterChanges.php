<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roster\State;
use MintDoor\Roster\Repository\Standings;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\FromQuery;
use MintDoor\Shared\Id;
use MintDoor\Shared\Row;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** The difference between a site's roster at the end of two days: who came, who went, whose role or state changed. */
final readonly class RosterChanges
{
    public function __construct(private Standings $standings, private Gate $gate, private Sights $sights) {}

    #[Route(
        '/sites/{site}/roster-changes',
        name: 'roster_changes',
        requirements: ['site' => Id::PATTERN],
        methods: ['GET'],
    )]
    public function changes(string $site, #[CurrentUser] Caller $caller, #[FromQuery] BetweenDays $days): Response
    {
        $access = $this->gate
            ->at($site, $caller)
            ->require(Permission::SeeHistory, 'roster.only-those-let-people');
        $rows = $this->standings->between(
            $site,
            $access->endOf($days->from, '/from') - 1,
            $access->endOf($days->until, '/until') - 1,
        );
        $everybody = $this->sights->everybody($access);
        $seen = null === $everybody ? null : array_fill_keys($everybody, true);
        $lists = ['came' => [], 'went' => [], 'changed' => []];
        foreach ($rows as $row) {
            if (null !== $seen && !isset($seen[$row->id('person_id')])) {
                continue;
            }
            [$before, $after] = [$this->standing($row, 'a'), $this->standing($row, 'b')];
            $was = $this->here($before);
            $is = $this->here($after);
            if ($was || $is) {
                $lists[$was && $is ? 'changed' : ($is ? 'came' : 'went')][] = [
                    'person' => ['id' => $row->id('person_id'), 'name' => $row->string('sort_name')],
                    'before' => $before,
                    'after' => $after,
                ];
            }
        }

        return new Answer($lists);
    }

    /** @return array{state: string, role: string}|null */
    private function standing(Row $row, string $at): ?array
    {
        $state = $row->stringOrNull('state_'.$at);

        return null === $state ? null : ['state' => $state, 'role' => $row->string('role_'.$at)];
    }

    /** @param array{state: string, role: string}|null $standing */
    private function here(?array $standing): bool
    {
        return null !== $standing && State::from($standing['state'])->here();
    }
}
