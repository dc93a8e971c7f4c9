<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ControllerEvent;
use Symfony\Component\HttpKernel\Event\TerminateEvent;
use Symfony\Component\HttpKernel\KernelEvents;
use Symfony\Component\Lock\LockInterface;
use Symfony\Component\Security\Core\Authentication\Token\Storage\TokenStorageInterface;
use Symfony\Contracts\Service\ResetInterface;

/**
 * Lets a few expensive requests in at once and asks the others to come again, so that they never hold every process.
 */
final class ExpensivePlaces implements ResetInterface
{
    /** @var list<LockInterface> */
    private array $taken = [];

    /** @param int $most of all together, of one person half of it; 0 for no limit */
    public function __construct(
        private readonly Places $places,
        private readonly TokenStorageInterface $tokens,
        #[Autowire('%env(int:EXPENSIVE_PLACES)%')] private readonly int $most,
    ) {}

    #[AsEventListener(KernelEvents::CONTROLLER, priority: 100)]
    public function before(ControllerEvent $event): void
    {
        $expensive = $event->getAttributes(Expensive::class)[0] ?? null;
        $size = \strlen($event->getRequest()->getContent());
        if (!$event->isMainRequest() || 0 === $this->most || null === $expensive || $size < $expensive->from) {
            return;
        }
        $caller = $this->tokens->getToken()?->getUser();
        $who = $caller instanceof Caller ? $caller->id : Place::of($event->getRequest());
        $this->take(
            'expensive '.$who,
            max(1, intdiv($this->most, 2)),
            'shared.large-requests-under-way',
        );
        $this->take('expensive', $this->most, 'shared.many-large-requests-under');
    }

    #[AsEventListener(KernelEvents::TERMINATE)]
    public function after(TerminateEvent $event): void
    {
        $this->reset();
    }

    public function reset(): void
    {
        foreach ($this->taken as $place) {
            $place->release();
        }
        $this->taken = [];
    }

    private function take(string $what, int $most, string $sentence): void
    {
        $place = $this->places->take($what, $most);
        if (null === $place) {
            $this->reset();
            throw new Problem(ProblemType::Busy, $sentence, retryAfter: 2);
        }
        $this->taken[] = $place;
    }
}
