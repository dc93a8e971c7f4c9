<?php

declare(strict_types=1);

// One of several that change the same site at the same time. Arguments: instant to begin at, site, who, line as JSON.
use MintDoor\Changes\ChangeController;
use MintDoor\Changes\ChangeRequest;
use MintDoor\Changes\LineRequest;
use MintDoor\Kernel;
use MintDoor\Shared\Caller;
use MintDoor\Shared\CallerProvider;
use MintDoor\Shared\Problem;
use Symfony\Component\DependencyInjection\ContainerInterface;
use Symfony\Component\HttpFoundation\Request;

require dirname(__DIR__, 2).'/vendor/autoload.php';
date_default_timezone_set('UTC');

[, $begin, $site, $who, $line] = $argv;
$kernel = new Kernel('test', false);
$kernel->boot();
$container = $kernel->getContainer()->get('test.service_container');
assert($container instanceof ContainerInterface);
$callers = $container->get(CallerProvider::class);
assert($callers instanceof CallerProvider);
$caller = $callers->loadUserByIdentifier($who);
$controller = $container->get(ChangeController::class);
assert($caller instanceof Caller && $controller instanceof ChangeController);
$request = new LineRequest(...json_decode($line, true, 512, \JSON_THROW_ON_ERROR));
time_sleep_until(max((float) $begin, microtime(true) + 0.001));
try {
    echo json_decode(
        (string) $controller->make($site, new ChangeRequest([$request]), Request::create('/'), $caller)->getContent(),
        true,
    )['lines'][0]['verdict'];
} catch (Problem $problem) {
    $more = json_decode(json_encode($problem->more, \JSON_THROW_ON_ERROR), true);
    echo $more['line']['reasons'][0]['code'] ?? $problem->type->value;
}
