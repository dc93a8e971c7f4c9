<?php

declare(strict_types=1);

namespace MintDoor\People;

use Doctrine\Bundle\DoctrineBundle\Attribute\AsDoctrineListener;
use Doctrine\ORM\Event\OnFlushEventArgs;
use Doctrine\ORM\Event\PostFlushEventArgs;
use Doctrine\ORM\Events;
use MintDoor\People\Entity\Person;
use MintDoor\People\Repository\FactChanges;
use Symfony\Component\DependencyInjection\Attribute\AutowireServiceClosure;
use Symfony\Contracts\Service\ResetInterface;

/** Notes, whoever changes somebody, that what rules read of them became another. */
#[AsDoctrineListener(Events::onFlush)]
#[AsDoctrineListener(Events::postFlush)]
final class FactsWatcher implements ResetInterface
{
    private const READ = ['kind', 'ownKind', 'division', 'level', 'gone'];

    /** @var list<string> ids of people */
    private array $changed = [];

    /** @param \Closure(): FactChanges $changes that is made with entities, as this is */
    public function __construct(
        #[AutowireServiceClosure(FactChanges::class)] private readonly \Closure $changes,
    ) {}

    public function onFlush(OnFlushEventArgs $event): void
    {
        $work = $event->getObjectManager()->getUnitOfWork();
        foreach ($work->getScheduledEntityInsertions() as $entity) {
            if ($entity instanceof Person) {
                $this->changed[] = $entity->id;
            }
        }
        foreach ($work->getScheduledEntityUpdates() as $entity) {
            if ($entity instanceof Person) {
                $read = array_intersect(array_keys($work->getEntityChangeSet($entity)), self::READ);
                [] === $read || ($this->changed[] = $entity->id);
            }
        }
    }

    public function postFlush(PostFlushEventArgs $event): void
    {
        [$changed, $this->changed] = [$this->changed, []];
        [] === $changed || ($this->changes)()->note($changed, FactChanges::PERSON);
    }

    public function reset(): void
    {
        $this->changed = [];
    }
}
