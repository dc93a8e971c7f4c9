<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\People\PersonVisibility;
use MintDoor\Core\People\Reach;
use MintDoor\Core\Roles\Permission;
use MintDoor\Desk\Repository\DirectoryList;
use MintDoor\People\DirectoryFilter;
use MintDoor\People\PersonDetailed;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\Directory;
use MintDoor\People\Repository\Labels;
use MintDoor\People\Repository\PersonDetails;
use MintDoor\Roster\Caring;
use MintDoor\Roster\Details;
use MintDoor\Roster\Gate;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\FromQuery;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;
use MintDoor\Shared\Said;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** The people of one's reach as a list, and the ids of all that fit, to do something with them. */
final readonly class DirectoryController
{
    private const MOST_IDS = 20_000;

    public function __construct(
        private DirectoryList $list,
        private PlatformClock $clock,
        private Directory $directory,
        private Labels $labels,
        private Gate $gate,
        private Caring $caring,
        private Details $details,
        private PersonDetails $kept,
    ) {}

    #[Route('/directory', name: 'directory', methods: ['GET'])]
    public function list(#[FromQuery] DirectoryFilter $filter, #[CurrentUser] Caller $caller): Response
    {
        $reach = $this->reach($filter, $caller);
        $page = $this->list->page(
            $filter,
            $reach,
            $this->details->narrowing($filter->details, $caller, $reach),
            $this->clock->instant(),
        );
        $whole = $this->caring->known($page->rows, $caller);
        $people = array_map(strval(...), array_keys($whole));
        $labels = $this->labels->ofPeople($people);
        $kept = [] === $this->details->offered($caller) ? [] : $this->kept->ofPeople($people);

        return new Answer(
            new DirectoryAnswer(
                array_map(
                    fn(Row $row): PersonDetailed => new PersonDetailed(
                        PersonRow::shown(
                            $row,
                            isset($whole[$row->id('person_id')]) ? PersonVisibility::Full : PersonVisibility::Masked,
                        ),
                        $labels[$row->id('person_id')] ?? [],
                        (object) Details::shown(
                            $this->details->seen($caller, $row->string('person_division')),
                            $kept[$row->id('person_id')] ?? [],
                        ),
                    ),
                    $page->rows,
                ),
                $page->many->total,
                $page->many->moreThanThat,
                $page->next,
            ),
        );
    }

    #[Expensive]
    #[Route('/directory/ids', name: 'directory_ids', methods: ['GET'])]
    public function ids(#[FromQuery] DirectoryFilter $filter, #[CurrentUser] Caller $caller): Response
    {
        $reach = $this->reach($filter, $caller);
        $details = $this->details->narrowing($filter->details, $caller, $reach);
        $ids = $this->list->ids($filter, $reach, $details, $this->clock->instant(), self::MOST_IDS + 1);
        if (\count($ids) > self::MOST_IDS) {
            throw Problem::field('/q', 'too-many', Said::with('desk.more-than', n: self::MOST_IDS));
        }

        return new Answer(['ids' => $ids]);
    }

    /**
     * Whose directory it is.
     *
     * @throws Problem of type `NotAllowed`
     */
    private function reach(DirectoryFilter $filter, Caller $caller): Reach
    {
        if ('staff' !== $caller->kind && !$caller->isAdministrator()) {
            throw Problem::notAllowed('shared.only-staff-look-people');
        }
        if ('' !== $filter->site) {
            $access = $this->gate
                ->at($filter->site, $caller)
                ->require(Permission::LetIn, 'shared.not-change-site-leads');
            if (null !== $access->standing->sections) {
                throw Problem::notAllowed('desk.only-who-see-all-sections');
            }
        }

        return $this->directory->reachOf($caller);
    }
}
