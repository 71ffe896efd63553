module wildflourish.app { requires wildflourish.core; }
