<?php

declare(strict_types=1);

namespace MintDoor\Roster\Repository;

use MintDoor\People\Entity\Person;
use MintDoor\Roster\Entity\SavedView;
use MintDoor\Shared\BaseRepository;
use MintDoor\Sites\Entity\Site;

/** @extends BaseRepository<SavedView> */
final class SavedViews extends BaseRepository
{
    protected const ENTITY = SavedView::class;

    /** @return list<SavedView> somebody's in a site, by name */
    public function of(string $person, string $site): array
    {
        return $this->findBy(['person' => $person, 'site' => $site], ['name' => 'ASC']);
    }

    public function named(string $person, string $site, string $name): ?SavedView
    {
        return $this->findOneBy(['person' => $person, 'site' => $site, 'name' => $name]);
    }

    public function keep(string $person, string $site, string $name, string $view): void
    {
        $of = $this->reference(Person::class, $person);
        $this->add(new SavedView(self::newId(), $of, $this->reference(Site::class, $site), $name, $view));
        $this->flush();
    }

    public function forget(string $person, string $site, string $id): void
    {
        $view = $this->findOneBy(['id' => $id, 'person' => $person, 'site' => $site]);
        if (null !== $view) {
            $this->remove($view);
            $this->flush();
        }
    }
}
