<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\Security\Core\Authentication\Token\Storage\TokenStorageInterface;
use Symfony\Component\Translation\LocaleSwitcher;

/** Whoever is signed in is answered in the language they settled; everybody else in the one their browser asks for. */
#[AsEventListener(priority: 4)]
final readonly class OwnLanguage
{
    public function __construct(private TokenStorageInterface $tokens, private LocaleSwitcher $language) {}

    /** Once it is known who asks. */
    public function __invoke(RequestEvent $event): void
    {
        $caller = $event->isMainRequest() ? $this->tokens->getToken()?->getUser() : null;
        if ($caller instanceof Caller && null !== $caller->language) {
            // The library names languages as files are named.
            $language = strtr($caller->language, '-', '_');
            $this->language->setLocale($language);
            $event->getRequest()->setLocale($language);
        }
    }
}
